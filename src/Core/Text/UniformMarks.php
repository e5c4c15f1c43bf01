<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/**
 * Emphasis and strong that cover the whole of a line are its look, not its words: a heading gets its look from its
 * level.
 */
final class UniformMarks
{
    private const LOOKS = ['emphasis', 'strong'];

    /**
     * @param list<Node> $inline
     *
     * @return list<Node>
     */
    public static function without(array $inline): array
    {
        $shared = self::LOOKS;
        foreach ($inline as $node) {
            // A blank shows neither.
            if ($node->isText() && '' !== trim($node->text)) {
                $shared = array_values(
                    array_filter($shared, static fn(string $type): bool => null !== $node->findMark($type)),
                );
            }
        }
        if ([] === $shared) {
            return $inline;
        }

        return array_map(
            static fn(Node $node): Node => [] === $node->marks
                ? $node
                : $node->withMarks(
                    array_values(
                        array_filter(
                            $node->marks,
                            static fn(Mark $mark): bool => !in_array($mark->type, $shared, true),
                        ),
                    ),
                ),
            $inline,
        );
    }
}
