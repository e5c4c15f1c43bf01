<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Idea;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Text\Heading;

/**
 * Writes an idea down beside the text. Like an offcut it is kept, found and put into the text, and is never counted or
 * printed.
 */
final readonly class NoteIdea implements Operation
{
    /** @param string $words a paragraph a line */
    public function __construct(private string $words, private IdSource $ids) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if ('' === trim($this->words)) {
            return Refused::noWordsPicked();
        }
        $idea = new Section($this->ids->next(), Heading::none(), IdeaText::body($this->words));

        return new Applied(
            $document
                ->withSection($idea)
                ->withOffcut(
                    new Offcut(
                        $this->ids->next(),
                        OffcutReason::Idea,
                        Offcut::nameOf($idea->body),
                        null,
                        Outline::of($idea->id, Level::Opening),
                    ),
                ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return 'Noted an idea';
    }
}
