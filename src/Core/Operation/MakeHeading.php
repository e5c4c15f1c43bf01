<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document;
use Stemmata\Core\Level;
use Stemmata\Core\Outline;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/** Turns paragraphs of a section into headings; the text after each goes with it. */
final readonly class MakeHeading implements Operation
{
    /** @param non-empty-array<int, SectionId> $blocks the id for each new section, by the paragraph's place in the body (from 0) */
    public function __construct(private SectionId $section, private array $blocks, private Level $level)
    {
    }

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $refused = $this->refusal($document, $section);
        if (null !== $refused) {
            return $refused;
        }
        $new = $this->newSections($section->body->blocks);
        $entries = Outline::empty();
        foreach ($new as $each) {
            $entries = $entries->followedBy(Outline::of($each->id, $this->level));
        }
        $kept = $section->withBody(Body::of(array_slice($section->body->blocks, 0, min(array_keys($this->blocks)))));
        $after = $document->withSection($kept, ...$new);
        // An opening that only held the heading to be has done its work.
        $isSpent = $document->outline->levelAt($position)->isOpening() && $kept == Section::blank($kept->id) && !$document->isLinkedTo($kept->id);
        $after = $isSpent ? $after->withoutSection($kept->id) : $after;
        $after = $after->withOutline($document->outline->spliced($isSpent ? $position : $position + 1, $position + 1, $entries));

        return new Applied($after, FallenUnder::notices($document, $after, array_map(static fn (Section $each): SectionId => $each->id, $new)));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        $count = count($this->blocks);

        return sprintf('Made %s of %s', 1 === $count ? 'a heading' : $count.' headings', Described::section($before, $this->section));
    }

    private function refusal(Document $document, Section $section): ?Refused
    {
        foreach ($this->blocks as $index => $newId) {
            $block = $section->body->blocks[$index] ?? null;
            if (null === $block) {
                return Refused::positionOutside();
            }
            if ('paragraph' !== $block->type) {
                return Refused::notAParagraph();
            }
            if ('' === trim($block->plainText())) {
                return Refused::headingHasNoWords();
            }
            if ($document->outline->has($newId)) {
                return Refused::idTaken();
            }
        }

        return null;
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<Section>
     */
    private function newSections(array $blocks): array
    {
        $starts = array_keys($this->blocks);
        sort($starts);
        $sections = [];
        foreach ($starts as $nth => $start) {
            $end = $starts[$nth + 1] ?? count($blocks);
            $sections[] = new Section(
                $this->blocks[$start],
                Heading::ofInline($blocks[$start]->content),
                Body::of(array_slice($blocks, $start + 1, $end - $start - 1)),
            );
        }

        return $sections;
    }
}
