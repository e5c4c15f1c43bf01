<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Offcut;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Rule\LandingPlace;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * Returns an offcut to the document: to a named place, where it takes the level of that place, or else to where it came
 * from.
 */
final readonly class BringBack implements Operation
{
    /** @param int|null $at for a passage, the place in the target's text, as the editor counts; null for its end */
    public function __construct(
        private SectionId $offcut,
        private Landing $landing = Landing::After,
        private ?SectionId $target = null,
        private ?int $at = null,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $offcut = $document->findOffcut($this->offcut);
        if (null === $offcut) {
            return Refused::unknownOffcut();
        }
        $outline = $document->outline;
        $into = $this->target ?? $offcut->after;
        if ($offcut->isPassage() && null !== $into && $outline->has($into)) {
            return $this->intoText($document, $offcut, $into);
        }
        $run = $offcut->outline;
        $position = $this->oldPosition($outline, $offcut);
        if (null !== $this->target) {
            $place = LandingPlace::in($outline, $this->landing, $this->target);
            if ($place instanceof Refused) {
                return $place;
            }
            $position = $place->position;
            $run = $this->headed($run)->findShifted($place->level->value - max(1, $run->levelAt(0)->value));
        } elseif ($outline->hasOpening() || $position > 0) {
            $run = $this->headed($run);
        }
        if (null === $run) {
            return Refused::tooDeep('“' . $offcut->name . '”');
        }
        $after = $document->withOutline($outline->spliced($position, $position, $run))->withoutOffcut($offcut->id);

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return null === $this->target || null === $this->at ? Basis::outline() : Basis::outline($this->target);
    }

    public function describe(Document $before): string
    {
        $offcut = $before->findOffcut($this->offcut);

        return null === $offcut ? 'Brought back an offcut' : sprintf('Brought back “%s”', $offcut->name);
    }

    private function intoText(Document $document, Offcut $offcut, SectionId $into): Applied|Refused
    {
        $section = $document->section($into);
        $size = $section->body->size();
        if (null === $this->target && null !== $offcut->place) {
            $passage = $document->section($offcut->outline->idAt(0));
            $whole = $offcut->place->findIn($section->body, $passage->body);

            return null === $whole
                ? Refused::placeGone($offcut->name)
                : self::back($document, $offcut, $section->withBody($whole));
        }
        $at = null === $this->target ? $size : $this->at ?? $size;
        if ($at < 0 || $at > $size) {
            return Refused::positionOutside();
        }
        $passage = $document->section($offcut->outline->idAt(0));
        $body = $section->body->cut(0, $at)->followedBy($passage->body)->followedBy($section->body->cut($at, $size));

        return self::back($document, $offcut, $section->withBody($body));
    }

    private static function back(Document $document, Offcut $offcut, Section $section): Applied
    {
        return new Applied(
            $document->withSection($section)->withoutSection($offcut->outline->idAt(0))->withoutOffcut($offcut->id),
        );
    }

    /** Behind the section it stood behind; when that is gone too, at the end. */
    private function oldPosition(Outline $outline, Offcut $offcut): int
    {
        if (null === $offcut->after) {
            return $outline->hasOpening() ? 1 : 0;
        }
        $before = $outline->findPosition($offcut->after);

        return null === $before ? $outline->count() : $before + 1;
    }

    /** A former opening that cannot come back as such becomes a section at level 1. */
    private function headed(Outline $run): Outline
    {
        return $run->levelAt(0)->isOpening() ? $run->spliced(0, 1, Outline::of($run->idAt(0), Level::One)) : $run;
    }
}
