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
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Rule\LandingPlace;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * Moves sections before, after or inside another one. Each picked section takes the level of the landing place, and
 * what
 * is under it keeps its relation to it. Several picked ones land one after the other, in the order they stood in.
 */
final readonly class MoveBranch implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(
        private array $sections,
        private Landing $landing,
        private SectionId $target,
        private Extent $extent = Extent::Branch,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $outline = $document->outline;
        $picked = Picked::in($outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if ($picked->includesOpening($outline)) {
            return Refused::openingHasNoLevel();
        }
        $target = $outline->findPosition($this->target);
        if (null !== $target && $picked->covers($target)) {
            return Refused::intoItself($document->nameAt($picked->runs[0][0]));
        }

        return $this->moved($document, $picked);
    }

    /**
     * The sections that this moves with what is under them, in the document's order.
     *
     * @return list<SectionId>
     */
    public function heads(Document $document): array
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);

        return $picked instanceof Refused ? [] : $picked->heads($document->outline);
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        $where = match ($this->landing) {
            Landing::Before => 'before',
            Landing::After => 'after',
            Landing::Inside => 'under',
        };

        return sprintf(
            'Moved %s %s %s',
            Described::branches($before, $this->sections, $this->extent),
            $where,
            Described::section($before, $this->target),
        );
    }

    private function moved(Document $document, Picked $picked): Applied|Refused
    {
        $rest = $document->outline;
        foreach (array_reverse($picked->runs) as [$from, $to]) {
            $rest = $rest->without($from, $to);
        }
        $place = LandingPlace::in($rest, $this->landing, $this->target);
        if ($place instanceof Refused) {
            return $place;
        }
        $moving = Outline::empty();
        foreach ($picked->runs as [$from, $to]) {
            $run = $document->outline->slice($from, $to);
            $landed = $run->findShifted($place->level->value - $run->levelAt(0)->value);
            if (null === $landed) {
                return Refused::tooDeep($document->nameAt($from));
            }
            $moving = $moving->followedBy($landed);
        }
        $after = $document->withOutline($rest->spliced($place->position, $place->position, $moving));

        return new Applied($after, FallenUnder::notices($document, $after, $picked->heads($document->outline)));
    }
}
