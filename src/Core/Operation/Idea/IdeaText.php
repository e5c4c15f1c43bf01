<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Idea;

use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/** The words of an idea as they are typed: a paragraph a line. */
final class IdeaText
{
    public static function body(string $words): Body
    {
        return Body::of(
            array_map(
                static fn(string $line): Node => Node::paragraph('' === trim($line) ? [] : [Node::text(trim($line))]),
                preg_split('/\R+/u', trim($words)) ?: [],
            ),
        );
    }

    /** What is written of the body when it is typed anew; null for one that holds more than typed words. */
    public static function findWords(Body $body): ?string
    {
        $lines = [];
        foreach ($body->blocks as $block) {
            foreach ($block->content as $part) {
                if (!$part->isText() || [] !== $part->marks) {
                    return null;
                }
            }
            if ('paragraph' !== $block->type) {
                return null;
            }
            $lines[] = $block->plainText();
        }

        return implode("\n", $lines);
    }
}
