<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** Which kinds of the writer’s own texts are of. */
final class KindsIn
{
    /**
     * @param iterable<list<Node>> $texts
     *
     * @return array<string, bool> by name, whether it is one of words
     */
    public static function of(iterable $texts): array
    {
        $kinds = [];
        foreach ($texts as $nodes) {
            foreach ($nodes as $node) {
                self::collect($node, $kinds);
            }
        }

        return $kinds;
    }

    /** @param array<string, bool> $kinds */
    private static function collect(Node $node, array &$kinds): void
    {
        $kind = $node->kind();
        if (null !== $kind) {
            $kinds[$kind] = false;
        }
        $name = $node->findMark('kind')?->attribute('name');
        if (is_string($name)) {
            $kinds[$name] ??= true;
        }
        foreach ($node->content as $child) {
            self::collect($child, $kinds);
        }
    }
}
