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
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;

/**
 * Takes a passage out of a section and keeps it among the offcuts: a text without a heading, at the level of an
 * opening.
 */
final readonly class SetTextAside implements Operation
{
    /**
     * @param int $from where the passage begins: 0-based, as the editor counts, 0 to the body's size
     * @param int $to   where it ends, beyond `$from`
     */
    public function __construct(
        private SectionId $section,
        private int $from,
        private int $to,
        private IdSource $ids,
        private OffcutReason $reason = OffcutReason::SetAside,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        if ($this->from < 0 || $this->to > $section->body->size()) {
            return Refused::positionOutside();
        }
        $passage = $section->body->cut($this->from, $this->to);
        if ($passage->isEmpty()) {
            return Refused::noWordsPicked();
        }
        $left = $section->body->without($this->from, $this->to);
        $kept = new Section($this->ids->next(), Heading::none(), $passage);
        $offcut = new Offcut(
            $this->ids->next(),
            $this->reason,
            Offcut::nameOf($passage),
            $this->section,
            Outline::of($kept->id, Level::Opening),
            PassagePlace::of($section->body, $this->from, $this->to),
        );

        return new Applied($document->withSection($section->withBody($left), $kept)->withOffcut($offcut));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Set a passage of ' .
            Described::section($before, $this->section) .
            (OffcutReason::Idea === $this->reason ? ' among the ideas' : ' aside');
    }
}
