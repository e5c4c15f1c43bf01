<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/**
 * Which database this is, and how many changes it has taken: what a database and its write-ahead log have in common.
 */
final readonly class CommitCount
{
    public function __construct(public string $lineage, public int $commits) {}
}
