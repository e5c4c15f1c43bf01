<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\FreeNames;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/**
 * Appends a section's text to the section above it. This is also how a heading becomes a paragraph again; the first
 * heading of a document has no section above and turns into the opening.
 *
 * Deeper sections that stood under it keep their levels. When something links to it, a bookmark with its id takes its
 * place, so that the links still arrive.
 */
final readonly class JoinWithAbove implements Operation
{
    /** @param SectionId $newId for the offcut that keeps the heading */
    public function __construct(
        private SectionId $section,
        private HeadingAfterJoin $heading,
        private SectionId $newId,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        if ($document->outline->levelAt($position)->isOpening()) {
            return Refused::nothingAbove();
        }
        if (0 === $position) {
            return HeadingAfterJoin::Offcut !== $this->heading
                ? self::applied($document, $this->asOpening($document))
                : Refused::nothingAbove();
        }

        return self::applied($document, $this->joined($document, $position));
    }

    private static function applied(Document $before, Document $after): Applied
    {
        return new Applied($after, FallenUnder::notices($before, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline($this->section);
    }

    public function describe(Document $before): string
    {
        return sprintf('Joined %s with the section above', Described::section($before, $this->section));
    }

    private function asOpening(Document $document): Document
    {
        $section = $document->section($this->section);
        $opening = $section->withHeading(Heading::none())->withBody($this->joinedText($document, $section));

        return $document
            ->withSection($opening)
            ->withOutline($document->outline->spliced(0, 1, Outline::of($section->id, Level::Opening)));
    }

    private function joined(Document $document, int $position): Document
    {
        $section = $document->section($this->section);
        $above = $document->sectionAt($position - 1);
        $target = ($above->target ?? 0) + ($section->target ?? 0);
        $grown = ($this->isOneLine($document, $position, $above)
            ? $above
                ->withHeading(
                    Heading::ofInline(Node::joined([...$above->heading->inline, ...$this->lead($document, $section)])),
                )
                ->withBody($section->body)
            : $above->withBody($above->body->followedBy($this->joinedText($document, $section)))
        )
            ->withAim(trim($above->aim . ' ' . $section->aim))
            ->withTarget(0 === $target ? null : $target);
        $after = $document
            ->withSection($grown)
            ->withoutSection($section->id)
            ->withOutline($document->outline->without($position, $position + 1));
        if (HeadingAfterJoin::Offcut !== $this->heading || $section->heading->isEmpty()) {
            return $after;
        }

        return $after
            ->withSection(Section::blank($this->newId)->withHeading($section->heading))
            ->withOffcut(
                new Offcut(
                    $this->newId,
                    OffcutReason::Deleted,
                    $section->heading->plainText(),
                    $above->id,
                    Outline::of($this->newId, $document->outline->levelAt($position)),
                ),
            );
    }

    private function isOneLine(Document $document, int $position, Section $above): bool
    {
        return HeadingAfterJoin::Line === $this->heading &&
            !$document->outline->levelAt($position - 1)->isOpening() &&
            $above->body->isBlank();
    }

    /** @return list<Node> */
    private function lead(Document $document, Section $section): array
    {
        $words = HeadingAfterJoin::Offcut === $this->heading ? [] : $section->heading->inline;

        return $document->isLinkedTo($section->id) ? [$this->anchor($document, $section), ...$words] : $words;
    }

    private function joinedText(Document $document, Section $section): Body
    {
        $lead = $this->lead($document, $section);

        return [] === $lead ? $section->body : Body::of([Node::paragraph($lead)])->followedBy($section->body);
    }

    private function anchor(Document $document, Section $section): Node
    {
        $name = (new FreeNames($document))->for(BookmarkName::madeFrom($section->heading->plainText()));

        return new Node('bookmark', ['id' => $section->id->value, 'name' => $name]);
    }
}
