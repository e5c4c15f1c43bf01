<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

/** Likely headings that look alike; what is said of one mostly holds for all. */
final readonly class LookGroup
{
    /**
     * @param string                       $look  in words, such as “bold, in capitals”
     * @param int                          $level that most of its lines are suggested at
     * @param non-empty-list<LikelyHeading> $lines in the order of the text
     */
    public function __construct(
        public string $look,
        public int $level,
        public float $confidence,
        public array $lines,
    ) {}
}
