<?php

declare(strict_types=1);

namespace Stemmata\Core\TypedNumber;

use Stemmata\Core\Text\Node;

/** What was typed before the words of a heading or a caption. */
final class TypedLead
{
    /**
     * @param list<Node> $inline
     * @param int        $lead   characters of its text to leave out; bookmarks among them stay
     *
     * @return list<Node>
     */
    public static function without(array $inline, int $lead): array
    {
        $kept = [];
        foreach ($inline as $node) {
            if ($lead > 0 && $node->isText()) {
                $taken = min($lead, mb_strlen($node->text));
                $lead -= $taken;
                $node = Node::text(mb_substr($node->text, $taken), $node->marks);
            }
            if (!$node->isText() || '' !== $node->text) {
                $kept[] = $node;
            }
        }

        return $kept;
    }
}
