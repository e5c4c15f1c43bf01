<?php

declare(strict_types=1);

namespace Stemmata\Core\TypedNumber;

use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Outline\Outline;

/** What was found out about the numbers of a document's headings. */
final readonly class InferredNumbering
{
    /**
     * @param Outline                           $outline     with appendices and unnumbered sections marked
     * @param list<int>                         $lifted      positions of headings whose number the scheme now computes
     * @param array<int, array{string, string}> $differences printed and computed number where they differ, by position
     * @param list<int>                         $keptAsWords positions of headings whose number stays among their words
     */
    public function __construct(
        public Outline $outline,
        public Scheme $scheme,
        public array $lifted,
        public array $differences,
        public array $keptAsWords,
    ) {}
}
