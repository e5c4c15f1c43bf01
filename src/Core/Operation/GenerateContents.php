<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/** Puts contents into a section's text, or replaces those that stand there. */
final readonly class GenerateContents implements Operation
{
    /**
     * @param int|null $block where among the body's blocks new contents go, from 0; null for the end
     */
    public function __construct(
        private SectionId $section,
        private int $from,
        private int $to,
        private bool $numbers,
        private string $title,
        private ?int $block = null,
    ) {
    }

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        if ($this->from < 1 || $this->to > 9 || $this->from > $this->to) {
            return Refused::levelsReversed();
        }
        $section = $document->section($this->section);
        $contents = new Node('contents', [
            'title' => $this->title,
            'from' => $this->from,
            'to' => $this->to,
            'numbers' => $this->numbers,
            'lines' => ContentsLines::of($document, $this->from, $this->to),
        ]);
        $kept = array_values(array_filter($section->body->blocks, static fn (Node $block): bool => 'contents' !== $block->type));
        $place = $this->block ?? self::findContents($section->body) ?? count($kept);
        array_splice($kept, max(0, min($place, count($kept))), 0, [$contents]);

        return new Applied($document->withSection($section->withBody(Body::of($kept))));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Made contents in '.Described::section($before, $this->section);
    }

    private static function findContents(Body $body): ?int
    {
        foreach ($body->blocks as $index => $block) {
            if ('contents' === $block->type) {
                return $index;
            }
        }

        return null;
    }
}
