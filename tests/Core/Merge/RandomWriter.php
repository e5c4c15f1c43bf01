<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Merge;

use Random\Randomizer;
use Stemmata\Core\Merge\Merged;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** Writes texts of words that occur once, and changes them as a writer would. */
final class RandomWriter
{
    private int $words = 0;

    public function __construct(private readonly Randomizer $random) {}

    /** @return list<Node> */
    public function text(): array
    {
        $blocks = [];
        for ($count = $this->random->getInt(2, 7); $count > 0; --$count) {
            $blocks[] = $this->block();
        }

        return $blocks;
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<Node>
     */
    public function changed(array $blocks): array
    {
        for ($count = $this->random->getInt(1, 3); $count > 0; --$count) {
            $blocks = $this->changedOnce($blocks);
        }

        return $blocks;
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<string> each word and each place, note and mark with the word it is at
     */
    public static function parts(array $blocks): array
    {
        $parts = [];
        foreach ($blocks as $block) {
            foreach ($block->walk() as $node) {
                if ($node->isText()) {
                    preg_match_all('/w\d+/', $node->text, $found);
                    $parts = [...$parts, ...$found[0]];
                } elseif ('bookmark' === $node->type) {
                    $parts[] = $node->textAttribute('name');
                }
            }
        }

        return $parts;
    }

    /** Whether paragraphs were added by both at one place, so that the order of these tells who was first. */
    public static function addAtOnePlace(Merged $there, Merged $back): bool
    {
        $sorted = static function (Merged $merged): array {
            $blocks = array_map(
                static fn(Node $block): string => (string) json_encode($block->toJson()),
                self::leaves($merged->body->blocks),
            );
            sort($blocks);

            return $blocks;
        };

        return $there->body != $back->body && $sorted($there) === $sorted($back);
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<Node> paragraphs, with those in lists
     */
    private static function leaves(array $blocks): array
    {
        $leaves = [];
        foreach ($blocks as $block) {
            foreach ($block->walk() as $node) {
                if ('paragraph' === $node->type) {
                    $leaves[] = $node;
                }
            }
        }

        return $leaves;
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<Node>
     */
    private function changedOnce(array $blocks): array
    {
        $at = $this->random->getInt(0, max(0, count($blocks) - 1));
        if ([] === $blocks) {
            return [$this->paragraph()];
        }
        $block = $blocks[$at];
        switch ($this->random->getInt(0, 9)) {
            case 0:
                array_splice($blocks, $at, 0, [$this->paragraph()]);

                return $blocks;
            case 1:
                array_splice($blocks, $at, 1);

                return $blocks;
            case 2:
                // Taken apart, as by Enter.
                if ('paragraph' === $block->type && count($block->content) > 1) {
                    $half = intdiv(count($block->content), 2);
                    array_splice($blocks, $at, 1, [
                        $block->withContent(array_slice($block->content, 0, $half)),
                        $block->withContent(array_slice($block->content, $half)),
                    ]);
                }

                return $blocks;
            default:
                array_splice($blocks, $at, 1, [$this->rewritten($block)]);

                return $blocks;
        }
    }

    private function rewritten(Node $block): Node
    {
        if ('paragraph' !== $block->type) {
            $index = $this->random->getInt(0, count($block->content) - 1);
            $content = $block->content;
            if ('bulletList' === $block->type && 0 === $this->random->getInt(0, 3)) {
                array_splice($content, $index, 0, [new Node('listItem', content: [$this->paragraph()])]);
            } else {
                array_splice($content, $index, 1, [$this->rewritten($content[$index])]);
            }

            return $block->withContent($content);
        }
        $words = [];
        foreach ($block->content as $node) {
            foreach (
                $node->isText() ? (preg_split('/(?<= )/', $node->text, -1, \PREG_SPLIT_NO_EMPTY) ?: []) : [$node]
                as $part
            ) {
                $words[] = is_string($part) ? Node::text($part, $node->marks) : $part;
            }
        }
        $at = $this->random->getInt(0, max(0, count($words) - 1));
        $new = match ($this->random->getInt(0, 5)) {
            0 => [],
            1 => [new Node('bookmark', ['id' => sprintf('n%011d', ++$this->words), 'name' => 'b' . $this->words])],
            2 => [new Node('footnote', content: [Node::text($this->word())])],
            3 => [Node::text($this->word() . ' ', [new Mark('strong')])],
            default => [Node::text($this->word() . ' ')],
        };
        array_splice($words, $at, $this->random->getInt(0, 1), $new);

        return $block->withContent(Node::joined($words));
    }

    private function block(): Node
    {
        return match ($this->random->getInt(0, 5)) {
            0 => new Node(
                'bulletList',
                content: [
                    new Node('listItem', content: [$this->paragraph()]),
                    new Node('listItem', content: [$this->paragraph()]),
                ],
            ),
            1 => new Node('quotation', content: [$this->paragraph()]),
            default => $this->paragraph(),
        };
    }

    private function paragraph(): Node
    {
        $text = '';
        for ($count = $this->random->getInt(3, 9); $count > 0; --$count) {
            $text .= $this->word() . ' ';
        }

        return Node::paragraph([
            Node::text($text),
            Node::text($this->word(), [new Mark('emphasis')]),
            ...0 === $this->random->getInt(0, 3) ? [new Node('footnote', content: [Node::text($this->word())])] : [],
        ]);
    }

    private function word(): string
    {
        return 'w' . ++$this->words;
    }
}
