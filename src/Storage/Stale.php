<?php

declare(strict_types=1);

namespace Stemmata\Storage;

/** Another window changed what the operation rests on. Nothing was written. */
final readonly class Stale
{
    public function __construct(public int $revision, public string $sentence)
    {
    }
}
