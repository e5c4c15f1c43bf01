<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Node;

/**
 * Between an office format and the builder: such formats are one long row of paragraphs, each with its style. Here
 * items
 * become lists, quoted paragraphs one quotation, lines of code one block, and captions go to what they stand at.
 */
final class BlockFlow
{
    private ListRun $items;
    /** @var list<Node> */
    private array $quoted = [];
    /** A list within a quotation. */
    private ListRun $quotedItems;
    /** @var list<string> */
    private array $code = [];
    private ?string $codeLanguage = null;
    /** @var list<Node>|null */
    private ?array $caption = null;
    /** A picture or table that a caption may follow. */
    private ?Node $last = null;

    public function __construct(private readonly DocumentBuilder $builder)
    {
        $this->items = new ListRun();
        $this->quotedItems = new ListRun();
    }

    /**
     * @param list<Node>   $inline
     * @param list<string> $anchors
     */
    public function heading(int $level, array $inline, array $anchors = [], int $flags = 0, string $printed = ''): void
    {
        $this->finish();
        $this->builder->heading($level, $inline, $anchors, $flags, $printed);
    }

    public function block(Node $block): void
    {
        $this->finishRuns();
        if (in_array($block->type, ['figure', 'table'], true)) {
            $this->captioned($block);

            return;
        }
        $this->finish();
        $this->builder->block($block);
    }

    /** @param list<Node> $blocks */
    public function item(string $list, int $depth, ListKind $kind, int $number, array $blocks, bool $isQuoted): void
    {
        if ($isQuoted) {
            $this->quotedItem($list, $depth, $kind, $number, $blocks);

            return;
        }
        if ($this->items->isEmpty() || !$this->items->isOf($list, $depth)) {
            $this->finish();
        }
        $this->items->item($list, $depth, $kind, $number, $blocks);
    }

    /** @return bool false when there is no item of that depth that a paragraph could go on */
    public function itemGoesOn(int $depth, Node $paragraph): bool
    {
        return $this->quotedItems->goOn($depth, $paragraph) || $this->items->goOn($depth, $paragraph);
    }

    public function quoted(Node $paragraph): void
    {
        if (!$this->isInQuotation()) {
            $this->finish();
        }
        $this->finishQuotedItems();
        $this->quoted[] = $paragraph;
    }

    /** @param list<Node> $blocks */
    private function quotedItem(string $list, int $depth, ListKind $kind, int $number, array $blocks): void
    {
        if (!$this->isInQuotation()) {
            $this->finish();
        }
        if (!$this->quotedItems->isOf($list, $depth)) {
            $this->finishQuotedItems();
        }
        $this->quotedItems->item($list, $depth, $kind, $number, $blocks);
    }

    private function isInQuotation(): bool
    {
        return [] !== $this->quoted || !$this->quotedItems->isEmpty();
    }

    private function finishQuotedItems(): void
    {
        array_push($this->quoted, ...$this->quotedItems->finished());
    }

    /** Whether the lines before are code, so that an empty one is a line of it. */
    public function isInCode(): bool
    {
        return [] !== $this->code;
    }

    /** @param list<Node> $bookmarks that stand in it; a block of code cannot hold them */
    public function codeLine(string $line, array $bookmarks, ?string $language = null): void
    {
        if ([] === $this->code || $this->codeLanguage !== $language) {
            $this->finish();
        }
        $this->codeLanguage = $language;
        $this->code[] = $line;
        $this->builder->bookmarksForNext($bookmarks);
    }

    /**
     * @param list<Node> $inline
     * @param bool       $staysWithNext whether its program keeps it on one page with what follows, which it then
     *     belongs to
     */
    public function caption(array $inline, bool $staysWithNext = false): void
    {
        $this->finishRuns();
        if (!$staysWithNext && null !== $this->last && [] === self::captionOf($this->last)) {
            $this->builder->block(self::withCaption($this->last, $inline));
            $this->last = null;

            return;
        }
        $this->finish();
        $this->caption = $inline;
    }

    /** A name for the place where the next heading or block begins. */
    public function anchorForNext(string $anchor, bool $isHidden): void
    {
        $this->finish();
        $this->builder->anchorForNext($anchor, $isHidden);
    }

    /** @param list<Node> $bookmarks to stand before the next heading or block */
    public function bookmarksForNext(array $bookmarks): void
    {
        if ([] !== $bookmarks) {
            $this->finish();
            $this->builder->bookmarksForNext($bookmarks);
        }
    }

    public function finish(): void
    {
        $this->finishRuns();
        if (null !== $this->last) {
            $this->builder->block($this->last);
            $this->last = null;
        }
        if (null !== $this->caption) {
            $this->builder->block(Node::paragraph($this->caption));
            $this->caption = null;
        }
    }

    private function captioned(Node $block): void
    {
        if (null !== $this->caption && null === $this->last) {
            $this->builder->block(self::withCaption($block, $this->caption));
            $this->caption = null;

            return;
        }
        $this->finish();
        $this->last = $block;
    }

    private function finishRuns(): void
    {
        foreach ($this->items->finished() as $list) {
            $this->builder->block($list);
        }
        $this->finishQuotedItems();
        if ([] !== $this->quoted) {
            $this->builder->block(new Node('quotation', content: $this->quoted));
            $this->quoted = [];
        }
        if ([] !== $this->code) {
            // Lines of nothing at the end are what stands between code and text; within one paragraph they are the
            // code's.
            $text = 1 === count($this->code) ? $this->code[0] : rtrim(implode("\n", $this->code), "\n");
            $this->builder->block(
                new Node('codeBlock', ['language' => $this->codeLanguage], '' === $text ? [] : [Node::text($text)]),
            );
            $this->code = [];
        }
    }

    /** @return list<Node> */
    private static function captionOf(Node $block): array
    {
        return 'table' === $block->type ? $block->content[0]->content : $block->content;
    }

    /** @param list<Node> $caption */
    private static function withCaption(Node $block, array $caption): Node
    {
        return 'table' === $block->type
            ? $block->withContent([$block->content[0]->withContent($caption), ...array_slice($block->content, 1)])
            : $block->withContent($caption);
    }
}
