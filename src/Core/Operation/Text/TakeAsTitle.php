<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\SpentOpening;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/** Makes a paragraph the document's title or subtitle. What was there before goes to the offcuts. */
final readonly class TakeAsTitle implements Operation
{
    /**
     * @param int       $block   the paragraph's place in the body, from 0
     * @param SectionId $offcut  for what was there before
     */
    public function __construct(
        private SectionId $section,
        private int $block,
        private TitlePart $part,
        private SectionId $offcut,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $paragraph = $section->body->blocks[$this->block] ?? null;
        if (null === $paragraph) {
            return Refused::positionOutside();
        }
        if ('paragraph' !== $paragraph->type) {
            return Refused::notAParagraph();
        }
        $words = Heading::plain($paragraph->plainText())->plainText();
        if ('' === $words) {
            return Refused::headingHasNoWords();
        }
        $before = $this->part->of($document->titleBlock);
        $rest = $section->body->blocks;
        array_splice($rest, $this->block, 1);
        $kept = $section->withBody(Body::of($rest));
        // An opening that held nothing else has done its work.
        $isSpent = SpentOpening::is($document, $position, $kept) && $document->outline->count() > 1;
        $after = ($isSpent
            ? $document->withoutSection($kept->id)->withOutline($document->outline->without($position, $position + 1))
            : $document->withSection($kept)
        )->withTitleBlock($this->part->in($document->titleBlock, $words));

        return new Applied(
            '' === trim($before) ? $after : $this->withOffcut($after, $before, $isSpent ? null : $section->id),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return TitlePart::Title === $this->part ? 'Made a line the title' : 'Made a line the subtitle';
    }

    private function withOffcut(Document $document, string $words, ?SectionId $after): Document
    {
        return $document
            ->withSection(Section::blank($this->offcut)->withHeading(Heading::plain($words)))
            ->withOffcut(
                new Offcut(
                    $this->offcut,
                    OffcutReason::Deleted,
                    $words,
                    $after,
                    Outline::of($this->offcut, Level::One),
                ),
            );
    }
}
