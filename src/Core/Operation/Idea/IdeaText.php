<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Idea;

use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/** The words of an idea as they are typed: a paragraph a line. */
final class IdeaText
{
    /** An idea in one line, as lists call it (characters). */
    private const LONGEST_NAME = 60;

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

    public static function name(Body $body): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $body->plainText()));

        return mb_strlen($name) > self::LONGEST_NAME ? rtrim(mb_substr($name, 0, self::LONGEST_NAME - 1)) . '…' : $name;
    }

    public static function renamed(Offcut $idea, Body $body): Offcut
    {
        return new Offcut($idea->id, $idea->reason, self::name($body), $idea->after, $idea->outline, $idea->place);
    }
}
