<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/**
 * The text that stands under one heading: a list of blocks. Positions run from 0, before the first block, to size().
 */
final readonly class Body
{
    /** @param list<Node> $blocks already known to fit BodySchema */
    private function __construct(public array $blocks) {}

    public static function empty(): self
    {
        return new self([]);
    }

    /** @param list<Node> $blocks built by our own code, or read through BodySchema */
    public static function of(array $blocks): self
    {
        return new self($blocks);
    }

    /** @throws InvalidBody */
    public static function fromJson(mixed $json): self
    {
        return new self((new BodySchema())->readBlocks($json));
    }

    /**
     * @param string $stored what is kept where a body should be; it is shown whole, and kept as it is until the writer
     * takes it out
     */
    public static function unreadable(string $stored): self
    {
        return new self([new Node('unreadable', content: '' === $stored ? [] : [Node::text($stored)])]);
    }

    /** What is kept in place of a body that can be read. */
    public function findUnreadable(): ?string
    {
        return 1 === count($this->blocks) && 'unreadable' === $this->blocks[0]->type
            ? $this->blocks[0]->plainText()
            : null;
    }

    public function isEmpty(): bool
    {
        return [] === $this->blocks;
    }

    public function size(): int
    {
        return Node::sizeOf($this->blocks);
    }

    public function plainText(): string
    {
        return Node::plainTextOf($this->blocks);
    }

    public function cut(int $from, int $to): self
    {
        return new self(self::withoutHollow(Node::cut($this->blocks, $from, $to)));
    }

    /** Without what lies between two places; two paragraphs that were both cut through become one. */
    public function without(int $from, int $to): self
    {
        $head = $this->cut(0, $from)->blocks;
        $tail = $this->cut($to, $this->size())->blocks;
        $last = end($head);
        $first = $tail[0] ?? null;
        $isCutThrough = $this->isWithinParagraph($from) && $this->isWithinParagraph($to);
        if ($isCutThrough && false !== $last && null !== $first) {
            array_pop($head);
            array_shift($tail);

            return new self([...$head, ...self::joinedParagraphs($last, $first), ...$tail]);
        }

        return new self([...$head, ...$tail]);
    }

    /**
     * With a passage put in at a place: the way back from without().
     *
     * @param bool $joinsBefore whether its first paragraph goes on the one before the place
     * @param bool $joinsAfter  whether the paragraph behind the place goes on its last one
     */
    public function withPassage(int $at, self $passage, bool $joinsBefore, bool $joinsAfter): self
    {
        $head = $this->cut(0, $at)->blocks;
        $tail = $this->cut($at, $this->size())->blocks;
        $middle = $passage->blocks;
        if ($joinsBefore) {
            array_unshift($middle, ...self::joinedParagraphs(array_pop($head), array_shift($middle)));
        }
        if ($joinsAfter) {
            array_push($middle, ...self::joinedParagraphs(array_pop($middle), array_shift($tail)));
        }

        return new self([...$head, ...$middle, ...$tail]);
    }

    /** @return list<Node> one paragraph of two; other blocks, and what is there of them, as they are */
    private static function joinedParagraphs(?Node $first, ?Node $second): array
    {
        return 'paragraph' === $first?->type && 'paragraph' === $second?->type
            ? [$first->withContent(Node::joined([...$first->content, ...$second->content]))]
            : array_values(array_filter([$first, $second], static fn(?Node $block): bool => null !== $block));
    }

    /** Between the first and the last word of a paragraph that stands in the section itself, not at its edges. */
    public function isWithinParagraph(int $at): bool
    {
        $start = 0;
        foreach ($this->blocks as $block) {
            $end = $start + $block->size();
            if ($at > $start + 1 && $at < $end - 1) {
                return 'paragraph' === $block->type;
            }
            $start = $end;
        }

        return false;
    }

    public function followedBy(self $other): self
    {
        return new self([...$this->blocks, ...$other->blocks]);
    }

    /** @return iterable<Node> */
    public function walk(): iterable
    {
        foreach ($this->blocks as $block) {
            yield from $block->walk();
        }
    }

    /** @param \Closure(Node): Node $change */
    public function mapped(\Closure $change): self
    {
        return new self(array_map(static fn(Node $block): Node => $block->mapped($change), $this->blocks));
    }

    /** @return list<array<string, mixed>> */
    public function toJson(): array
    {
        return array_map(static fn(Node $block): array => $block->toJson(), $this->blocks);
    }

    /**
     * A cut at the edge of a paragraph or a list leaves an empty shell on the other side; it goes, for it held nothing.
     *
     * @param list<Node> $blocks
     *
     * @return list<Node>
     */
    private static function withoutHollow(array $blocks): array
    {
        $kept = [];
        foreach ($blocks as $index => $block) {
            $isAtEdge = 0 === $index || count($blocks) - 1 === $index;
            $block = $isAtEdge ? HollowParts::filledUp($block) : $block;
            if (null !== $block) {
                $kept[] = $block;
            }
        }

        return $kept;
    }
}
