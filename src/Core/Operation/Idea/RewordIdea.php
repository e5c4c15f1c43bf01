<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Idea;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;

/** Writes an idea anew. With no words it is given up, and lies among the offcuts as it was. */
final readonly class RewordIdea implements Operation
{
    /** @param string $words a paragraph a line */
    public function __construct(private SectionId $idea, private string $words) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $idea = $document->findOffcut($this->idea);
        if (OffcutReason::Idea !== $idea?->reason) {
            return Refused::unknownIdea();
        }
        if ('' === trim($this->words)) {
            return new Applied($document->withOffcut($idea->withReason(OffcutReason::Deleted)));
        }
        $section = $document->section($idea->outline->idAt(0));
        if (null === IdeaText::findWords($section->body)) {
            return Refused::ideaHoldsMore();
        }
        $body = IdeaText::body($this->words);

        return new Applied(
            $document->withSection($section->withBody($body))->withOffcut($idea->withName(Offcut::nameOf($body))),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return '' === trim($this->words) ? 'Gave up an idea' : 'Wrote an idea anew';
    }
}
