<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\TakenBookmark;
use Stemmata\Core\Operation\Rule\TypedText;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/** Gives a section another heading. Links to it hold, for they know its id. */
final readonly class Rename implements Operation
{
    /**
     * @param bool $isTyped whether it was written in the text itself, as a part of writing on, and not given as a name
     */
    public function __construct(public SectionId $section, private Heading $heading, public bool $isTyped = false) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        if ($document->outline->levelAt($position)->isOpening()) {
            return Refused::openingHasNoLevel();
        }
        $section = $document->section($this->section);
        $renamed = $section->withHeading($this->isTyped ? $this->heading : $this->named($section->heading));

        return TakenBookmark::findIn($document, $renamed) ?? new Applied(TypedText::in($document, $renamed));
    }

    /** A name is words alone: what stands among those of before, and can be led to or is a remark on them, stays. */
    private function named(Heading $before): Heading
    {
        $before = array_filter(
            $before->inline,
            static fn(Node $part): bool => in_array(
                $part->type,
                ['bookmark', 'bookmarkEnd', 'reminder', 'footnote'],
                true,
            ),
        );
        $isPlace = static fn(Node $part): bool => 'bookmark' === $part->type;

        return Heading::ofInline([
            ...array_values(array_filter($before, $isPlace)),
            ...$this->heading->inline,
            ...array_values(array_filter($before, static fn(Node $part): bool => !$isPlace($part))),
        ]);
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        if ($this->isTyped) {
            return $this->heading->isEmpty()
                ? 'Emptied the heading ' . Described::section($before, $this->section)
                : sprintf('Wrote the heading “%s”', $this->heading->plainText());
        }

        return sprintf('Renamed %s to “%s”', Described::section($before, $this->section), $this->heading->plainText());
    }
}
