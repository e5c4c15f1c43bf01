<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

use Stemmata\Core\Outline\SectionId;

/** What became of one section between two states of a document. */
final readonly class Difference
{
    /**
     * @param list<DifferenceKind> $kinds what became of its place and its words
     * @param list<DetailChange>      $noted
     */
    public function __construct(
        public SectionId $section,
        public string $heading,
        public array $kinds,
        public array $noted = [],
    ) {}
}
