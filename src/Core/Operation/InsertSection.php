<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document;
use Stemmata\Core\Level;
use Stemmata\Core\Outline;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Heading;

/** Puts a new, empty section before, after or inside another one; without a target, at the end of the document. */
final readonly class InsertSection implements Operation
{
    public function __construct(
        private SectionId $newId,
        private Heading $heading,
        private Landing $landing = Landing::After,
        private ?SectionId $target = null,
    ) {
    }

    public function applyTo(Document $document): Applied|Refused
    {
        $outline = $document->outline;
        if ($outline->has($this->newId)) {
            return Refused::idTaken();
        }
        $position = $outline->count();
        $level = Level::One;
        if (null !== $this->target) {
            $place = LandingPlace::in($outline, $this->landing, $this->target);
            if ($place instanceof Refused) {
                return $place;
            }
            [$position, $level] = [$place->position, $place->level];
        }

        return new Applied($document
            ->withSection(Section::blank($this->newId)->withHeading($this->heading))
            ->withOutline($outline->spliced($position, $position, Outline::of($this->newId, $level))));
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return $this->heading->isEmpty() ? 'Inserted a section' : sprintf('Inserted “%s”', $this->heading->plainText());
    }
}
