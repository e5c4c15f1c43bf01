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
        if ($offcut->isStretch() && null !== $into && $outline->has($into)) {
            return $this->stretchIntoText($document, $offcut, $into);
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

    /** The words go on in the section, the sections follow it, and what stood behind the passage is the end of the last. */
    private function stretchIntoText(Document $document, Offcut $offcut, SectionId $into): Applied|Refused
    {
        $section = $document->section($into);
        $size = $section->body->size();
        $place = null === $this->target ? $offcut->place : null;
        $at = null === $place ? $this->at ?? $size : $place->findAt($section->body);
        if (null === $at) {
            return Refused::placeGone($offcut->name);
        }
        if ($at < 0 || $at > $size) {
            return Refused::positionOutside();
        }
        $position = $document->outline->positionOf($into);
        $rest = $offcut->outline->slice(1, $offcut->outline->count());
        $by =
            null === $this->target
                ? 0
                : max(1, $document->outline->levelAt($position)->value) - $rest->levelAt(0)->value;
        $run = $rest->findShifted($by);
        if (null === $run) {
            return Refused::tooDeep('“' . $offcut->name . '”');
        }
        $words = $document->section($offcut->outline->idAt(0))->body;
        $last = $document->section($rest->idAt($rest->count() - 1));
        $head = $section->body->cut(0, $at);
        $tail = $section->body->cut($at, $size);
        $after = $document
            ->withSection(
                $section->withBody($head->withPassage($head->size(), $words, $place->depthBefore ?? 0, 0)),
                $last->withBody($tail->withPassage(0, $last->body, 0, $place->depthAfter ?? 0)),
            )
            ->withoutSection($offcut->outline->idAt(0))
            ->withOutline($document->outline->spliced($position + 1, $position + 1, $run))
            ->withoutOffcut($offcut->id);

        return new Applied($after, FallenUnder::notices($document, $after));
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
