<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** What is said under a picture or over a table, and the bookmarks in it, by which texts refer to it. */
final readonly class Caption
{
    /**
     * @param string       $words     on one line; empty for a picture or a table without a caption
     * @param list<string> $bookmarks ids
     * @param bool         $isTold    whether it can be told to who does not see it: a picture has a description or is mere
     *     decoration, a table has cells that head its rows or columns
     */
    public function __construct(
        public CaptionKind $kind,
        public string $words,
        public array $bookmarks,
        public bool $isTold = true,
    ) {}

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

        return new self(
            $kind,
            trim(strtr(Node::plainTextOf($inline), "\n", ' ')),
            $bookmarks,
            CaptionKind::Table === $kind ? self::hasHeaderCells($node) : Picture::isDescribed($node),
        );
    }

    /** True as well for a single row or column, which need no heads. */
    private static function hasHeaderCells(Node $table): bool
    {
        $rows = array_slice($table->content, 1);
        $longest = 0;
        foreach ($rows as $row) {
            $longest = max($longest, count($row->content));
            foreach ($row->content as $cell) {
                if (true === $cell->attribute('header')) {
                    return true;
                }
            }
        }

        return count($rows) < 2 || $longest < 2;
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
