<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

/** What a rule of the structure check reports. */
final readonly class Finding
{
    /**
     * @param string $rule     the rule's name, such as “skipped-level”
     * @param int    $position of the section meant, from 0
     * @param string $source   the published rule or common practice behind it
     */
    public function __construct(
        public string $rule,
        public int $position,
        public string $message,
        public string $source,
    ) {}
}
