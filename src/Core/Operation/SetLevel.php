<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document;
use Stemmata\Core\Level;
use Stemmata\Core\SectionId;

/** Gives sections a level. With extent branch, what is under each keeps its relation to it. */
final readonly class SetLevel implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(private array $sections, private Level $level, private Extent $extent)
    {
    }

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }

        return ShiftLevel::of($document, $picked, fn (int $position): int => $this->level->value - $document->outline->levelAt($position)->value);
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return sprintf('Set %s to level %d', Described::branches($before, $this->sections, $this->extent), $this->level->value);
    }
}
