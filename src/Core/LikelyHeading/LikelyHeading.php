<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

use Stemmata\Core\Outline\SectionId;

/** A paragraph that looks like a heading and is none, with what speaks for it. */
final readonly class LikelyHeading
{
    /**
     * @param int          $block      its place among the body's blocks, from 0
     * @param int          $level      suggested, 1 to 9; 0 for a line that looks like the document's title
     * @param float        $confidence from 0, not at all, to 1
     * @param list<string> $reasons    in words, the weightiest first
     */
    public function __construct(
        public SectionId $section,
        public int $block,
        public string $text,
        public int $level,
        public float $confidence,
        public array $reasons,
    ) {}
}
