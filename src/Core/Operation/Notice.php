<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

/** Something that an operation brought about beside what was asked. */
final readonly class Notice
{
    /** @param list<string> $sections ids of the sections meant, the first hundred at most */
    public function __construct(public string $sentence, public array $sections) {}
}
