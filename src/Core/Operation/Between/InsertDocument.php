<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Between;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Grafted;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Rule\LandingPlace;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;

/**
 * Puts another document into this one as a branch. Its sections keep their relation to each other; the highest takes
 * the
 * level of the place. Where there is more than one at the top, or text before the first, its title becomes their
 * heading.
 */
final readonly class InsertDocument implements Operation
{
    public function __construct(
        private Document $other,
        private Landing $landing,
        private SectionId $target,
        private IdSource $ids,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $place = LandingPlace::in($document->outline, $this->landing, $this->target);
        if ($place instanceof Refused) {
            return $place;
        }
        if (
            Landing::Inside === $this->landing &&
            Level::Nine === $document->outline->levelAt($document->outline->positionOf($this->target))
        ) {
            return Refused::graftTooDeep();
        }
        $branch = $this->findBranch();
        if (null === $branch) {
            return Refused::graftTooDeep();
        }
        [$outline, $sections] = $branch;
        $grafted = Grafted::into($document, $outline, $sections, $place->level->value);
        if ($grafted instanceof Refused) {
            return $grafted;
        }
        $after = $document
            ->withPictures($this->other->pictures)
            ->withKindsOf($this->other, ...$grafted->sections)
            ->withSection(...$grafted->sections)
            ->withOutline($document->outline->spliced($place->position, $place->position, $grafted->outline));

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        $title = trim($this->other->titleBlock->title);

        return sprintf('Put %s into the document', '' === $title ? 'another document' : '“' . $title . '”');
    }

    /** @return array{Outline, list<Section>}|null null when its sections are too deep to stand under its title */
    private function findBranch(): ?array
    {
        $outline = $this->other->outline;
        $sections = array_values(iterator_to_array($this->other->sections()));
        $hasOpening = $outline->hasOpening();
        $headed = $hasOpening ? $outline->slice(1, $outline->count()) : $outline;
        $levels = '' === $headed->levels ? [] : str_split($headed->levels);
        $isOne =
            !$hasOpening &&
            [] !== $levels &&
            1 === count(array_keys($levels, min($levels), true)) &&
            $levels[0] === min($levels);
        if ($isOne) {
            return [$outline, $sections];
        }
        $title = trim($this->other->titleBlock->title);
        $head = ($hasOpening ? array_shift($sections) : null) ?? Section::blank($this->ids->next());
        $head = $head->withHeading(Heading::plain('' === $title ? 'What was put in' : $title));
        $under = [] === $levels ? $headed : $headed->findShifted(2 - (int) min($levels));

        return null === $under ? null : [Outline::of($head->id, Level::One)->followedBy($under), [$head, ...$sections]];
    }
}
