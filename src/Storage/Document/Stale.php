<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\NothingWritten;

/** Another window changed what the operation rests on. Nothing was written. */
final readonly class Stale implements NothingWritten
{
    /** @param list<SectionId> $texts sections whose text it rests on */
    public function __construct(public int $revision, public string $sentence, public array $texts = []) {}
}
