<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Between;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Grafted;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;

/**
 * Puts a text from elsewhere at a place in a section. What stands before its first heading goes in there; its headings
 * become sections under this one; the rest of the section's text follows the last of them.
 */
final readonly class PasteDocument implements Operation
{
    /**
     * @param int $from where it goes: 0-based, as the editor counts, 0 to the body's size
     * @param int $to   what lies between the two gives way, as in every paste
     */
    public function __construct(
        private SectionId $section,
        private int $from,
        private int $to,
        private Document $pasted,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $size = $section->body->size();
        if ($this->from < 0 || $this->to < $this->from || $this->to > $size) {
            return Refused::positionOutside();
        }
        $outline = $this->pasted->outline;
        $hasOpening = $outline->hasOpening();
        $level = $document->outline->levelAt($position);
        $sections = Grafted::withFreeNames($document, array_values(iterator_to_array($this->pasted->sections())));
        $opening = $hasOpening ? array_shift($sections) : null;
        $grafted = Grafted::into(
            $document,
            $hasOpening ? $outline->slice(1, $outline->count()) : $outline,
            $sections,
            $level->value + 1,
        );
        if ($grafted instanceof Refused) {
            return $grafted;
        }
        $head = $section->body->cut(0, $this->from)->followedBy($opening->body ?? Body::empty());
        $tail = $section->body->cut($this->to, $size);
        $new = $grafted->sections;
        $last = array_pop($new);
        $changed =
            null === $last
                ? [$section->withBody($head->followedBy($tail))]
                : [$section->withBody($head), ...$new, $last->withBody($last->body->followedBy($tail))];

        $after = $document
            ->withPictures($this->pasted->pictures)
            ->withKindsOf($this->pasted, ...$this->pasted->sections())
            ->withSection(...$changed)
            ->withOutline($document->outline->spliced($position + 1, $position + 1, $grafted->outline));

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Pasted into ' . Described::section($before, $this->section);
    }
}
