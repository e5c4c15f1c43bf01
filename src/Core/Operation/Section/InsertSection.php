<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Rule\LandingPlace;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;

/** Puts a new, empty section before, after or inside another one; without a target, at the end of the document. */
final readonly class InsertSection implements Operation
{
    public function __construct(
        private SectionId $newId,
        private Heading $heading,
        private Landing $landing = Landing::After,
        private ?SectionId $target = null,
    ) {}

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

        return new Applied(
            $document
                ->withSection(Section::blank($this->newId)->withHeading($this->heading))
                ->withOutline($outline->spliced($position, $position, Outline::of($this->newId, $level))),
        );
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
