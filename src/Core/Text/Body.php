<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/**
 * The text that stands under one heading: a list of blocks. Positions run from 0, before the first block, to size().
 */
final readonly class Body
{
    /** What was cut through and is put together again is one. */
    private const GOING_ON = [
        'paragraph',
        'codeBlock',
        'calculation',
        'quotation',
        'bulletList',
        'orderedList',
        'listItem',
    ];

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

    /** Whether there is nothing in it but places to write in. */
    public function isBlank(): bool
    {
        return [] ===
            array_filter(
                $this->blocks,
                static fn(Node $block): bool => 'paragraph' !== $block->type || [] !== $block->content,
            );
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

    /** Without what lies between two places; what was cut through on both sides becomes one, such as two paragraphs. */
    public function without(int $from, int $to): self
    {
        $head = $this->cut(0, $from);
        $tail = $this->cut($to, $this->size());

        return $head->joinedWith($tail, min($this->openDepthAt($from), $this->openDepthAt($to)));
    }

    /**
     * With a passage put in at a place: the way back from without().
     *
     * @param int $depthBefore how deep its first block goes on the one before the place (see openDepthAt)
     * @param int $depthAfter  how deep the block behind the place goes on its last one
     */
    public function withPassage(int $at, self $passage, int $depthBefore, int $depthAfter): self
    {
        return $this->cut(0, $at)
            ->joinedWith($passage, $depthBefore)
            ->joinedWith($this->cut($at, $this->size()), $depthAfter);
    }

    /** @param int $depth how many parts within one another go on where this ends; 0 for none */
    private function joinedWith(self $other, int $depth): self
    {
        return new self(self::joinedBlocks($this->blocks, $other->blocks, $depth));
    }

    /**
     * @param list<Node> $before
     * @param list<Node> $after
     *
     * @return list<Node>
     */
    private static function joinedBlocks(array $before, array $after, int $depth): array
    {
        $last = end($before);
        $first = $after[0] ?? null;
        if (
            0 === $depth ||
            false === $last ||
            null === $first ||
            $last->type !== $first->type ||
            !in_array($last->type, self::GOING_ON, true)
        ) {
            return [...$before, ...$after];
        }
        $content = BodySchema::holdsBlocks($last->type)
            ? self::joinedBlocks($last->content, $first->content, $depth - 1)
            : Node::joined([...$last->content, ...$first->content]);

        return [...array_slice($before, 0, -1), $last->withContent($content), ...array_slice($after, 1)];
    }

    /** How many parts within one another a cut at this place goes through, from the section itself on; 0 at their edges. */
    public function openDepthAt(int $at): int
    {
        return self::openDepth($this->blocks, $at);
    }

    /** @param list<Node> $blocks */
    private static function openDepth(array $blocks, int $at): int
    {
        $start = 0;
        foreach ($blocks as $block) {
            $end = $start + $block->size();
            if ($at > $start && $at < $end && in_array($block->type, self::GOING_ON, true)) {
                $within = $at - $start - 1;
                $halves = [
                    Node::cut($block->content, 0, $within),
                    Node::cut($block->content, $within, $end - $start - 2),
                ];
                if (!BodySchema::holdsBlocks($block->type)) {
                    return in_array([], $halves, true) ? 0 : 1;
                }
                $inner = self::openDepth($block->content, $within);
                $isBetween = !in_array([], array_map(self::withoutHollow(...), $halves), true);

                return $inner > 0 || $isBetween ? $inner + 1 : 0;
            }
            $start = $end;
        }

        return 0;
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
