<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Node;

/**
 * Builds nested lists from items that come one after the other, each with its depth: the way office formats keep them.
 */
final class ListRun
{
    /** Office formats know nine levels. */
    private const DEEPEST = 8;

    /**
     * @var list<array{int, ListKind, int, list<Node>, bool}> depth from 0, kind, number, blocks,
     *     whether it only goes on the item above
     */
    private array $items = [];
    private string $list = '';

    /**
     * @param string     $list   names the list the item belongs to; another name begins another list
     * @param int        $number of an ordered item, from 0
     * @param list<Node> $blocks the first a paragraph
     */
    public function item(string $list, int $depth, ListKind $kind, int $number, array $blocks): void
    {
        if ([] === $this->items) {
            $this->list = $list;
        }
        $this->items[] = [min(self::DEEPEST, $depth), $kind, $number, $blocks, false];
    }

    /** @return bool false when no item of that depth is open */
    public function goOn(int $depth, Node $paragraph): bool
    {
        $depth = min(self::DEEPEST, $depth);
        for ($above = count($this->items) - 1; $above >= 0 && $this->items[$above][0] > $depth; --$above) {
        }
        if ($above < 0 || $this->items[$above][0] !== $depth) {
            return false;
        }
        $this->items[] = [$depth, $this->items[$above][1], $this->items[$above][2], [$paragraph], true];

        return true;
    }

    /**
     * Whether an item belongs to the lists gathered so far: one that stands deeper does, whatever its own list is
     * called.
     */
    public function isOf(string $list, int $depth): bool
    {
        return [] === $this->items || $depth > 0 || $this->list === $list;
    }

    public function isEmpty(): bool
    {
        return [] === $this->items;
    }

    /** @return list<Node> the lists, of which there are several where bullets and numbers change at the same depth */
    public function finished(): array
    {
        $at = 0;
        $lists = [];
        while ($at < count($this->items)) {
            $lists[] = $this->list($at, $this->items[$at][0]);
        }
        $this->items = [];

        return $lists;
    }

    private function list(int &$at, int $depth): Node
    {
        [, $kind, $number] = $this->items[$at];
        $items = [];
        while (
            $at < count($this->items) &&
            ($this->items[$at][0] > $depth || ($this->items[$at][0] === $depth && $this->items[$at][1] == $kind))
        ) {
            if ($this->items[$at][0] > $depth) {
                $inner = $this->list($at, $this->items[$at][0]);
                $last = array_pop($items) ?? new Node('listItem', content: [Node::paragraph([])]);
                $items[] = $last->withContent([...$last->content, $inner]);
                continue;
            }
            [, , , $blocks, $goesOn] = $this->items[$at++];
            $above = $goesOn ? array_pop($items) : null;
            $items[] = new Node('listItem', content: [...$above->content ?? [], ...$blocks]);
        }

        return $kind->listOf($number, $items);
    }
}
