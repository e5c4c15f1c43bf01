<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/** Makes the title or subtitle the first paragraph of the text again. */
final readonly class PutTitleInText implements Operation
{
    /** @param SectionId $opening for the opening, where there is none yet */
    public function __construct(private TitlePart $part, private SectionId $opening) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $words = trim($this->part->of($document->titleBlock));
        if ('' === $words) {
            return Refused::noTitle();
        }
        $outline = $document->outline;
        $opening = $outline->hasOpening() ? $document->sectionAt(0) : Section::blank($this->opening);
        $after = $document
            ->withTitleBlock($this->part->in($document->titleBlock, ''))
            ->withSection(
                $opening->withBody(Body::of([Node::paragraph([Node::text($words)]), ...$opening->body->blocks])),
            );

        return new Applied(
            $outline->hasOpening()
                ? $after
                : $after->withOutline(Outline::of($opening->id, Level::Opening)->followedBy($outline)),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        return TitlePart::Title === $this->part ? 'Made the title a paragraph' : 'Made the subtitle a paragraph';
    }
}
