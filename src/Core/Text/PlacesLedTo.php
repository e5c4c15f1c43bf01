<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

use Stemmata\Core\Link\LinkTarget;

/** The places in the document that a part of a text leads to, by a link or as a cross-reference. */
final class PlacesLedTo
{
    /** @return list<string> the ids of the places that this part itself leads to, by a link or as a cross-reference */
    public static function idsOf(Node $node): array
    {
        $targets = [
            $node->findMark('link')?->attribute('href'),
            'crossReference' === $node->type ? $node->attribute('href') : null,
        ];

        return array_values(
            array_filter(
                array_map(
                    static fn(mixed $target): ?string => is_string($target) ? LinkTarget::findInnerId($target) : null,
                    $targets,
                ),
                is_string(...),
            ),
        );
    }

    /**
     * The part with every place it leads to, as a link or as a cross-reference, exchanged for what the function says.
     *
     * @param \Closure(string): string $lead from target to target
     */
    public static function led(Node $node, \Closure $lead): Node
    {
        if ('crossReference' === $node->type) {
            $node = $node->withAttributes([...$node->attributes, 'href' => $lead($node->textAttribute('href'))]);
        }
        if (null === $node->findMark('link')) {
            return $node;
        }

        return $node->withMarks(
            array_map(
                static fn(Mark $mark): Mark => 'link' === $mark->type
                    ? new Mark('link', [...$mark->attributes, 'href' => $lead((string) $mark->attribute('href'))])
                    : $mark,
                $node->marks,
            ),
        );
    }
}
