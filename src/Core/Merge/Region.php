<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

/**
 * A run of the three lists that belongs together, and who changed it.
 *
 * @template T
 */
final readonly class Region
{
    /**
     * @param list<T> $base
     * @param list<T> $mine
     * @param list<T> $theirs
     */
    public function __construct(
        public array $base,
        public array $mine,
        public array $theirs,
        public bool $isMine,
        public bool $isTheirs,
    ) {}
}
