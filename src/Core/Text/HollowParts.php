<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** After a cut, parts may lack what the schema asks of them, such as a list item without its paragraph. */
final class HollowParts
{
    /** The part made whole again, or null when nothing is left in it. */
    public static function filledUp(Node $node): ?Node
    {
        if (BodySchema::isLeaf($node->type)) {
            return $node;
        }
        $content = array_values(
            array_filter(
                array_map(
                    static fn(Node $child): ?Node => BodySchema::isBlock($child->type)
                        ? self::filledUp($child)
                        : $child,
                    $node->content,
                ),
                static fn(?Node $child): bool => null !== $child,
            ),
        );

        return match ($node->type) {
            'figure' => $node->withContent($content),
            'listItem' => [] === $content ? null : $node->withContent(self::ledByParagraph($content)),
            'table' => self::tableOf($node, $content),
            default => [] === $content ? null : $node->withContent($content),
        };
    }

    /**
     * @param list<Node> $content
     *
     * @return list<Node>
     */
    private static function ledByParagraph(array $content): array
    {
        return 'paragraph' === $content[0]->type ? $content : [Node::paragraph([]), ...$content];
    }

    /**
     * Empty cells are part of a table's shape, so rows are taken as they were, and only a missing caption is put back.
     *
     * @param list<Node> $filled
     */
    private static function tableOf(Node $table, array $filled): ?Node
    {
        if ([] === $filled) {
            return null;
        }
        $rows = array_values(
            array_filter(
                $table->content,
                static fn(Node $part): bool => 'tableRow' === $part->type && [] !== $part->content,
            ),
        );
        $caption = 'caption' === $table->content[0]->type ? $table->content[0] : new Node('caption');
        if ([] === $rows) {
            return Node::paragraph($caption->content);
        }

        return $table->withContent([$caption, ...$rows]);
    }
}
