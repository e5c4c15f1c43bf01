<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Batch;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;

/** Makes headings of paragraphs in several sections at once, each at a level of its own. */
final readonly class MakeHeadings implements Operation
{
    private Batch $steps;

    /** @param non-empty-list<MakeHeading> $steps one for each section */
    public function __construct(array $steps, private int $count)
    {
        $this->steps = new Batch($steps);
    }

    public function applyTo(Document $document): Applied|Refused
    {
        return $this->steps->applyTo($document);
    }

    public function restsOn(): Basis
    {
        return $this->steps->restsOn();
    }

    public function describe(Document $before): string
    {
        return 1 === $this->count ? 'Made a heading' : sprintf('Made %s headings', number_format($this->count));
    }
}
