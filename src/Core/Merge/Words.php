<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\WordTokens;

/** Paragraphs as one row of words, blanks, signs and paragraph ends, and back. */
final class Words
{
    /**
     * @param list<Node> $inline
     *
     * @return list<Node> with each word, blank and sign a part of its own
     */
    public static function of(array $inline): array
    {
        $words = [];
        foreach ($inline as $part) {
            if (!$part->isText()) {
                $words[] = $part;
                continue;
            }
            foreach (WordTokens::of($part->text) as $word) {
                $words[] = Node::text($word, $part->marks);
            }
        }

        return $words;
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<Node> the words of paragraphs, each followed by an empty paragraph that has its attributes and stands for
     *     its end; other blocks as they are
     */
    public static function ofParagraphs(array $blocks): array
    {
        $words = [];
        foreach ($blocks as $block) {
            if ('paragraph' === $block->type) {
                array_push($words, ...self::of($block->content));
                $block = $block->withContent([]);
            }
            $words[] = $block;
        }

        return $words;
    }

    /**
     * @param list<Node> $words as ofParagraphs() makes them
     *
     * @return list<Node> blocks
     */
    public static function paragraphs(array $words): array
    {
        $blocks = [];
        $line = [];
        foreach ($words as $word) {
            if ('paragraph' === $word->type) {
                $blocks[] = $word->withContent(Node::joined($line));
                $line = [];
            } elseif (BodySchema::isBlock($word->type)) {
                array_push($blocks, ...self::ended($line), ...[$word]);
                $line = [];
            } else {
                $line[] = $word;
            }
        }

        return [...$blocks, ...self::ended($line)];
    }

    /**
     * @param list<Node> $line
     *
     * @return list<Node> a paragraph of words whose end was taken out
     */
    private static function ended(array $line): array
    {
        return [] === $line ? [] : [Node::paragraph(Node::joined($line))];
    }

    /** The same for parts that are the same, with all that is in them. */
    public static function keyOf(Node $part): string
    {
        return $part->isText()
            ? $part->text .
                    "\0" .
                    implode("\0", array_map(static fn(Mark $mark): string => self::json($mark->toJson()), $part->marks))
            : self::json($part->toJson());
    }

    /** @param array<string, mixed> $value */
    private static function json(array $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }
}
