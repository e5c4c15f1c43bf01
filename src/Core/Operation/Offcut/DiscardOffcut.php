<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Offcut;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;

/** Throws an offcut away for good: only undo brings it back. */
final readonly class DiscardOffcut implements Operation
{
    public function __construct(private SectionId $offcut) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $offcut = $document->findOffcut($this->offcut);
        if (null === $offcut) {
            return Refused::unknownOffcut();
        }
        $after = $document->withoutOffcut($offcut->id);
        foreach ($offcut->outline->ids() as $section) {
            $after = $after->withoutSection($section);
        }

        return new Applied($after);
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        $offcut = $before->findOffcut($this->offcut);

        return null === $offcut ? 'Threw an offcut away' : sprintf('Threw the offcut “%s” away', $offcut->name);
    }
}
