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
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\SectionId;

/** Moves branches past the next sibling above or below. Several picked ones move together and keep their order. */
final readonly class MoveAmongSiblings implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(private array $sections, private Direction $direction) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, Extent::Branch);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if ($picked->includesOpening($document->outline)) {
            return Refused::openingHasNoLevel();
        }
        $heads = $picked->heads($document->outline);
        $after = $document;
        foreach (Direction::Up === $this->direction ? $heads : array_reverse($heads) as $head) {
            $outcome = $this->moveOne($after, $head);
            if ($outcome instanceof Refused) {
                return $outcome;
            }
            $after = $outcome->document;
        }

        return new Applied($after, FallenUnder::notices($document, $after, $heads));
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return sprintf('Moved %s %s', Described::branches($before, $this->sections), $this->direction->value);
    }

    private function moveOne(Document $document, SectionId $section): Applied|Refused
    {
        $outline = $document->outline;
        $position = $outline->positionOf($section);
        if (Direction::Up === $this->direction) {
            $sibling = $outline->findPreviousSibling($position);
            $landing = Landing::Before;
        } else {
            $sibling = $outline->findNextSibling($position);
            $landing = Landing::After;
        }
        if (null === $sibling) {
            return Direction::Up === $this->direction
                ? Refused::alreadyFirst($document->nameAt($position))
                : Refused::alreadyLast($document->nameAt($position));
        }

        return (new MoveBranch([$section], $landing, $outline->idAt($sibling)))->applyTo($document);
    }
}
