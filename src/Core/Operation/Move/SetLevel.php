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
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;

/** Gives sections a level. With extent branch, what is under each keeps its relation to it. */
final readonly class SetLevel implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(private array $sections, private Level $level, private Extent $extent) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }

        return ShiftLevel::of(
            $document,
            $picked,
            fn(int $position): int => $this->level->value - $document->outline->levelAt($position)->value,
        );
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return sprintf(
            'Set %s to level %d',
            Described::branches($before, $this->sections, $this->extent),
            $this->level->value,
        );
    }
}
