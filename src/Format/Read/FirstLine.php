<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Node;

/** Puts parts at the head of the first line of words in a block. */
final class FirstLine
{
    /**
     * @param list<Node> $lead
     *
     * @return Node|null null when the block holds no line of words
     */
    public static function withLead(Node $block, array $lead): ?Node
    {
        if (in_array($block->type, ['paragraph', 'caption', 'tableCell', 'figure'], true)) {
            return $block->withContent([...$lead, ...$block->content]);
        }
        foreach (
            in_array($block->type, ['quotation', 'bulletList', 'orderedList', 'listItem', 'table', 'tableRow'], true)
                ? $block->content
                : []
            as $index => $child
        ) {
            $named = self::withLead($child, $lead);
            if (null !== $named) {
                return $block->withContent([
                    ...array_slice($block->content, 0, $index),
                    $named,
                    ...array_slice($block->content, $index + 1),
                ]);
            }
        }

        return null;
    }
}
