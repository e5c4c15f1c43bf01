<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Offcut;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\PassagePlace;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/**
 * Takes a passage that begins in one section and ends in a later one out of the text and keeps it as one offcut. What
 * stood behind it goes on in the section that it began in.
 */
final readonly class SetStretchAside implements Operation
{
    /**
     * @param list<SectionId> $sections neighbours, in order, two at least
     * @param int             $from     where in the first one’s body it begins: 0-based, as the editor counts, 0 to its size
     * @param int             $to       where in the last one’s body it ends, likewise
     */
    public function __construct(private array $sections, private int $from, private int $to, private IdSource $ids) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $count = count($this->sections);
        $position = $count < 2 ? null : $document->outline->findPosition($this->sections[0]);
        if (null === $position) {
            return $count < 2 ? Refused::noWordsPicked() : Refused::unknownSection($this->sections[0]->value);
        }
        $stretch = $document->outline->slice($position, $position + $count);
        if ($stretch->ids() != $this->sections) {
            return Refused::notNeighbours();
        }
        $first = $document->section($this->sections[0]);
        $last = $document->section($this->sections[$count - 1]);
        $size = $first->body->size();
        if ($this->from < 0 || $this->from > $size || $this->to < 0 || $this->to > $last->body->size()) {
            return Refused::positionOutside();
        }
        $both = $first->body->followedBy($last->body);
        $words = new Section($this->ids->next(), Heading::none(), $first->body->cut($this->from, $size));
        $offcut = new Offcut(
            $this->ids->next(),
            OffcutReason::SetAside,
            $this->name($document, $words->body),
            $first->id,
            Outline::of($words->id, Level::Opening)->followedBy($stretch->slice(1, $count)),
            PassagePlace::of($both, $this->from, $size + $this->to),
        );
        $after = $document
            ->withSection(
                $first->withBody($both->without($this->from, $size + $this->to)),
                $words,
                $last->withBody($last->body->cut(0, $this->to)),
            )
            ->withOutline($document->outline->without($position + 1, $position + $count))
            ->withOffcut($offcut);

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline(...$this->sections);
    }

    public function describe(Document $before): string
    {
        $count = count($this->sections) - 1;

        return sprintf(
            'Set words of %s and %d %s after it aside',
            Described::section($before, $this->sections[0]),
            $count,
            1 === $count ? 'section' : 'sections',
        );
    }

    private function name(Document $document, Body $words): string
    {
        return $words->isEmpty()
            ? $document->section($this->sections[1])->heading->plainText()
            : Offcut::nameOf($words);
    }
}
