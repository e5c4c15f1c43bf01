<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Move;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\SectionId;

/** Raises sections by one level. Sections after them that are now deeper fall under them; a notice says which. */
final readonly class Promote implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(private array $sections, private Extent $extent) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }

        return ShiftLevel::of($document, $picked, static fn(): int => -1);
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return 'Promoted ' . Described::branches($before, $this->sections, $this->extent);
    }
}
