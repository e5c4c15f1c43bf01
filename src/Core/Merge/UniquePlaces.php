<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use Stemmata\Core\Text\Node;

/** A place that links lead to stands once: of two that came from two sides the first stays. */
final class UniquePlaces
{
    private const PLACES = ['bookmark', 'bookmarkEnd', 'reminder'];

    /**
     * @param list<Node> $heading
     * @param list<Node> $blocks
     *
     * @return array{list<Node>, list<Node>}
     */
    public static function in(array $heading, array $blocks): array
    {
        $seen = [];

        return [self::kept($heading, $seen), self::kept($blocks, $seen)];
    }

    /**
     * @param list<Node>          $content
     * @param array<string, true> $seen
     *
     * @return list<Node>
     */
    private static function kept(array $content, array &$seen): array
    {
        $kept = [];
        foreach ($content as $node) {
            if (in_array($node->type, self::PLACES, true)) {
                $key = $node->type . $node->textAttribute('id');
                if (isset($seen[$key])) {
                    continue;
                }
                $seen[$key] = true;
            }
            $inner = [] === $node->content ? [] : self::kept($node->content, $seen);
            $kept[] = $inner == $node->content ? $node : $node->withContent($inner);
        }

        return $kept;
    }
}
