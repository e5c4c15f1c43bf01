<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\BlockOf;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/**
 * Cuts a section in two. What follows the place goes to a new section of the same level right after it; deeper sections
 * that stood under the old one follow the new one. Selected words become the new heading.
 */
final readonly class SplitSection implements Operation
{
    /**
     * @param int $from where the first part ends: 0-based, as the editor counts, 0 to the body's size
     * @param int $to   where the second part begins; between the two lie the words of the new heading
     */
    public function __construct(
        private SectionId $section,
        private int $from,
        private int $to,
        private SectionId $newId,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        if ($document->outline->has($this->newId)) {
            return Refused::idTaken();
        }
        $section = $document->section($this->section);
        $size = $section->body->size();
        if ($this->from < 0 || $this->to < $this->from || $this->to > $size) {
            return Refused::positionOutside();
        }
        $heading = $this->findHeading($section->body);
        if (null === $heading) {
            return Refused::wordsOfSeveralParagraphs();
        }
        $new = new Section($this->newId, $heading, self::withoutLeadingBlank($section->body->cut($this->to, $size)));
        $level = $document->outline->levelAt($position);
        $entry = Outline::of($this->newId, $level->isOpening() ? Level::One : $level);
        $after = $document
            ->withSection($section->withBody($section->body->cut(0, $this->from)), $new)
            ->withOutline($document->outline->spliced($position + 1, $position + 1, $entry));

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Split ' . Described::section($before, $this->section);
    }

    /** @return Heading|null null when the words lie in more than one paragraph */
    private function findHeading(Body $body): ?Heading
    {
        $lines = [];
        foreach ($body->cut($this->from, $this->to)->blocks as $block) {
            foreach ($block->walk() as $node) {
                if (BlockOf::text($node)) {
                    $lines[] = $node->content;
                }
            }
        }

        return count($lines) > 1 ? null : Heading::ofInline($lines[0] ?? []);
    }

    /** The blank between the heading's last word and the text would else begin a paragraph. */
    private static function withoutLeadingBlank(Body $body): Body
    {
        $first = $body->blocks[0] ?? null;
        $run = $first?->content[0] ?? null;
        if (
            null === $first ||
            null === $run ||
            !$run->isText() ||
            in_array($first->type, ['codeBlock', 'calculation'], true)
        ) {
            return $body;
        }
        $text = ltrim($run->text, ' ');
        $rest = [...'' === $text ? [] : [Node::text($text, $run->marks)], ...array_slice($first->content, 1)];

        return Body::of([...[] === $rest ? [] : [$first->withContent($rest)], ...array_slice($body->blocks, 1)]);
    }
}
