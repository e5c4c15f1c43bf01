<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** What is said under a picture or over a table, and the bookmarks in it, by which texts refer to it. */
final readonly class Caption
{
    /**
     * @param string       $words     on one line; empty for a picture or a table without a caption
     * @param list<string> $bookmarks ids
     */
    public function __construct(public CaptionKind $kind, public string $words, public array $bookmarks) {}

    /** Null for a part that bears no caption. */
    public static function findOf(Node $node): ?self
    {
        $kind = CaptionKind::tryFrom($node->type);
        if (null === $kind) {
            return null;
        }
        $inline = self::inlineOf($node);
        $bookmarks = [];
        foreach ($inline as $part) {
            if ('bookmark' === $part->type) {
                $bookmarks[] = $part->textAttribute('id');
            }
        }

        return new self($kind, trim(strtr(Node::plainTextOf($inline), "\n", ' ')), $bookmarks);
    }

    /** @return list<Node> the caption of a figure or a table */
    public static function inlineOf(Node $node): array
    {
        return CaptionKind::Table->value === $node->type ? $node->content[0]->content ?? [] : $node->content;
    }

    /** @param list<Node> $inline */
    public static function withInline(Node $node, array $inline): Node
    {
        return $node->withContent(
            CaptionKind::Table->value === $node->type
                ? [$node->content[0]->withContent($inline), ...array_slice($node->content, 1)]
                : $inline,
        );
    }

    /** Whether it gets a number; one that bears a typed number keeps that, and is not counted. */
    public function isCounted(): bool
    {
        return '' !== $this->words && !CaptionKind::isNumbered($this->words);
    }
}
