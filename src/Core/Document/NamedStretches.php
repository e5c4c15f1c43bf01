<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Text\Node;

/**
 * A bookmark names the place where it stands, or a stretch: from there to the end that bears its id, further on in the
 * same section. An end without its bookmark before it, or right behind it, ends nothing.
 */
final class NamedStretches
{
    /**
     * @param list<Node> $nodes the heading and the text of a section, one after the other
     *
     * @return array<string, true> by the id of the bookmark
     */
    public static function in(array $nodes): array
    {
        $begun = [];
        $ended = [];
        self::walk($nodes, $begun, $ended);

        return $ended;
    }

    /**
     * The nodes without ends that end nothing.
     *
     * @param list<Node>          $nodes
     * @param array<string, true> $ended the stretches of the whole section
     *
     * @return list<Node>
     */
    public static function withoutLooseEnds(array $nodes, array $ended): array
    {
        $kept = [];
        $seen = [];
        foreach ($nodes as $node) {
            $id = 'bookmarkEnd' === $node->type ? $node->textAttribute('id') : null;
            if (null !== $id && (!isset($ended[$id]) || isset($seen[$id]))) {
                continue;
            }
            if (null !== $id) {
                $seen[$id] = true;
            }
            $kept[] =
                [] === $node->content ? $node : $node->withContent(self::withoutLooseEnds($node->content, $ended));
        }

        return $kept;
    }

    /**
     * @param list<Node>          $nodes
     * @param array<string, true> $begun
     * @param array<string, true> $ended
     */
    private static function walk(array $nodes, array &$begun, array &$ended): void
    {
        $before = null;
        foreach ($nodes as $node) {
            $id = $node->textAttribute('id');
            if ('bookmark' === $node->type) {
                $begun[$id] = true;
            } elseif ('bookmarkEnd' === $node->type && isset($begun[$id])) {
                $isRightBehind = 'bookmark' === $before?->type && $before->textAttribute('id') === $id;
                $ended += $isRightBehind ? [] : [$id => true];
            } else {
                self::walk($node->content, $begun, $ended);
            }
            $before = $node;
        }
    }
}
