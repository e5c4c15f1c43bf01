<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\History;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Grafted;
use Stemmata\Core\Outline\SectionId;

/**
 * Puts one section of an earlier state back into the document, with its words and level of then, behind whichever
 * section before it is still there. From an offcut that holds it, it is taken.
 */
final readonly class BringBackSection implements Operation
{
    /** @param Document $then the earlier state */
    public function __construct(private Document $then, private SectionId $section) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $was = $this->then->outline->findPosition($this->section);
        if (null === $was) {
            return Refused::unknownSection($this->section->value);
        }
        if ($document->outline->has($this->section)) {
            return Refused::stillThere();
        }
        $at = 0;
        for ($earlier = $was - 1; $earlier >= 0 && 0 === $at; --$earlier) {
            $at = ($document->outline->findPosition($this->then->outline->idAt($earlier)) ?? -1) + 1;
        }
        $cell = $this->then->outline->slice($was, $was + 1);
        if ($cell->levelAt(0)->isOpening() && $document->outline->hasOpening()) {
            return Refused::secondOpening();
        }
        if (0 === $at && $document->outline->hasOpening()) {
            $at = 1;
        }
        $free = self::withoutOffcutOf($document, $this->section)->withoutSection($this->section);
        $after = $free
            ->withSection(...Grafted::withFreeNames($free, [$this->then->section($this->section)]))
            ->withOutline($document->outline->spliced($at, $at, $cell));

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return 'Brought back ' . $this->then->section($this->section)->name();
    }

    private static function withoutOffcutOf(Document $document, SectionId $section): Document
    {
        $offcut = $document->findOffcutHolding($section);
        if (null === $offcut) {
            return $document;
        }
        $at = $offcut->outline->positionOf($section);
        $rest = $offcut->outline->spliced($at, $at + 1, $offcut->outline->slice(0, 0));

        return 0 === $rest->count()
            ? $document->withoutOffcut($offcut->id)
            : $document->withOffcut($offcut->withOutline($rest));
    }
}
