<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\UniformMarks;
use Stemmata\Format\Read\BlockFlow;
use Stemmata\Format\Read\CellGrid;
use Stemmata\Format\Read\Contents\FoundContents;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Office\BookmarkMark;
use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Office\TitleLines;
use Stemmata\Format\Read\Package\Xml;

/** Goes through the text (OASIS ODF 1.3 part 3, 5): headings, paragraphs, lists, tables, indexes. */
final class BodyReader
{
    private const INDEXES = [
        'table-of-content',
        'illustration-index',
        'table-index',
        'object-index',
        'user-index',
        'alphabetical-index',
    ];
    private const MOST_REPEATED = 50;

    private BlockFlow $flow;
    public readonly TitleLines $titleLines;

    public function __construct(
        private readonly DocumentBuilder $builder,
        private readonly Styles $styles,
        private readonly OutlineNumbering $numbering,
        private readonly LineReader $lines,
    ) {
        $this->flow = new BlockFlow($builder);
        $this->titleLines = new TitleLines();
    }

    /** @param iterable<\DOMElement> $elements */
    public function read(iterable $elements): void
    {
        foreach ($elements as $element) {
            $this->element($element);
        }
    }

    public function finish(): void
    {
        $this->flow->finish();
    }

    private function element(\DOMElement $element): void
    {
        $name = $element->localName;
        if ('automatic-styles' === $name) {
            $this->styles->readGroup($element);
        } elseif ('h' === $name) {
            $this->heading($element);
        } elseif ('p' === $name) {
            $this->paragraph($element);
        } elseif ('list' === $name) {
            $this->listOrHeadings($element);
        } elseif ('table' === $name) {
            foreach ($this->tables($element) as $table) {
                $this->flow->block($table);
            }
        } elseif (in_array($name, self::INDEXES, true)) {
            $this->contents($element);
        } elseif ('tracked-changes' === $name) {
            $this->trackedChanges($element);
        } elseif ('frame' === $name) {
            $this->frame($element);
        } elseif ('bookmark' === $name || 'bookmark-start' === $name) {
            $this->bookmarkBetween(Xml::attribute($element, 'name') ?? '');
        } elseif (
            in_array($name, ['section', 'bibliography', 'index-body', 'numbered-paragraph', 'page-sequence'], true)
        ) {
            $this->read(Xml::children($element));
        }
    }

    /** Contents that a program makes, and keeps with the text as they were (OASIS ODF 1.3, part 3, 8). */
    private function contents(\DOMElement $index): void
    {
        $depth = (int) (Xml::attribute(Xml::child($index, 'table-of-content-source'), 'outline-level') ?? 0);
        $body = Xml::child($index, 'index-body');
        $title = trim(Xml::child($body, 'index-title')->textContent ?? '');
        $found = $depth > 0 ? FoundContents::byProgram($title, 1, min(9, $depth)) : FoundContents::byProgram($title);
        foreach ('table-of-content' === $index->localName && null !== $body ? Xml::children($body) : [] as $line) {
            $link = $line->getElementsByTagNameNS('*', 'a')->item(0);
            if ('p' === $line->localName && null !== $link) {
                $address = (string) Xml::attribute($link, 'href');
                $found->line(
                    str_starts_with($address, '#') ? rawurldecode(substr($address, 1)) : '',
                    self::printed($line),
                );
            }
        }
        $this->flow->finish();
        $block = $this->builder->contents($found);
        if (null !== $block) {
            $this->flow->block($block);
        }
    }

    private static function printed(\DOMElement $line): string
    {
        $words = '';
        foreach ($line->childNodes as $part) {
            $words .= match (true) {
                $part instanceof \DOMElement && 'tab' === $part->localName => "\t",
                $part instanceof \DOMElement && 's' === $part->localName => ' ',
                $part instanceof \DOMElement => self::printed($part),
                default => $part->textContent,
            };
        }

        return $words;
    }

    private function trackedChanges(\DOMElement $changes): void
    {
        for ($count = $changes->getElementsByTagNameNS('*', 'deletion')->length; $count > 0; --$count) {
            $this->builder->note(ImportNote::DeletionLeftOut);
        }
        for ($count = $changes->getElementsByTagNameNS('*', 'insertion')->length; $count > 0; --$count) {
            $this->builder->note(ImportNote::InsertionKept);
        }
    }

    private function heading(\DOMElement $heading): void
    {
        $level = max(1, (int) (Xml::attribute($heading, 'outline-level') ?? 1));
        $name = Xml::attribute($heading, 'style-name');
        $line = $this->lines->line($heading, $this->styles->paragraph($name), true);
        if ($this->styles->breaksHere($name)) {
            $this->pageBreak();
        }
        $printed = 'true' === Xml::attribute($heading, 'is-list-header') ? '' : $this->numbering->next($level);
        $words = array_map(
            static fn(Node $node): Node => $node->isText()
                ? Node::text(strtr($node->text, "\t", ' '), $node->marks)
                : $node,
            UniformMarks::without($line->inline),
        );
        $this->flow->heading($level, $words, $line->anchors, 0, '' === $line->printed ? $printed : $line->printed);
        $this->read($line->frames);
    }

    private function paragraph(\DOMElement $paragraph): void
    {
        $name = Xml::attribute($paragraph, 'style-name');
        $style = $this->styles->paragraph($name);
        $line = $this->lines->line($paragraph, $style, false, $style->isQuotation() || $style->isCaption());
        if ($this->styles->breaksHere($name)) {
            $this->pageBreak();
        }
        $this->text($line, $style);
        $this->read($line->frames);
    }

    private function text(Line $line, ParagraphStyle $style): void
    {
        $inline = $line->inline;
        $words = trim(Node::plainTextOf($inline));
        $bookmarks = array_values(array_filter($inline, static fn(Node $node): bool => 'bookmark' === $node->type));
        if ('' !== $words && $this->builder->isEmpty() && $this->titleLines->take($words, $style)) {
            $this->flow->bookmarksForNext($bookmarks);

            return;
        }
        $pictures = array_values(array_filter($inline, static fn(Node $node): bool => 'image' === $node->type));
        if ('' === $words && [] !== $pictures) {
            $this->flow->bookmarksForNext($bookmarks);
            foreach ($pictures as $picture) {
                $this->flow->block(new Node('figure', $picture->attributes));
            }
        } elseif ('' === $words && [] === array_filter($inline, self::isSeen(...))) {
            if ($style->isCode() && ([] !== $inline || $this->flow->isInCode())) {
                $this->flow->codeLine(Node::plainTextOf($inline), $bookmarks);
            } else {
                $this->flow->bookmarksForNext($bookmarks);
            }
        } elseif ($style->isCode()) {
            $this->flow->codeLine(Node::plainTextOf($inline), $bookmarks);
        } elseif ($style->isCaption()) {
            $this->flow->caption($inline);
        } elseif ($style->isQuotation()) {
            $this->flow->quoted(Node::paragraph($inline));
        } else {
            $this->flow->block(Node::paragraph($inline, $style->look($line->size)));
        }
    }

    private function bookmarkBetween(string $name): void
    {
        if (BookmarkMark::isPlace($name)) {
            $this->flow->anchorForNext($name, BookmarkMark::isHidden($name));
        }
    }

    private function pageBreak(): void
    {
        if (!$this->builder->isEmpty()) {
            $this->flow->block(new Node('pageBreak'));
        }
    }

    /** Numbered headings may stand in lists of their own; they are no items. */
    private function listOrHeadings(\DOMElement $list): void
    {
        if (null !== Xml::descendant($list, 'h')) {
            foreach (Xml::children($list) as $item) {
                $this->read(Xml::children($item));
            }

            return;
        }
        $made = $this->listOf($list, Xml::attribute($list, 'style-name') ?? '', 0);
        if (null !== $made) {
            $this->flow->block($made);
        }
    }

    private function listOf(\DOMElement $list, string $style, int $depth): ?Node
    {
        // A list without a style takes that of its paragraphs (ODF 1.3, text:style-name of text:list).
        $style =
            Xml::attribute($list, 'style-name') ?:
            $style ?:
            (string) $this->styles->findListOf(Xml::attribute(Xml::descendant($list, 'p'), 'style-name'));
        $items = [];
        $start = null;
        foreach (Xml::children($list) as $item) {
            if (!in_array($item->localName, ['list-item', 'list-header'], true)) {
                continue;
            }
            $start ??= Xml::attribute($item, 'start-value');
            $blocks = $this->itemBlocks($item, $style, $depth);
            if ([] !== $blocks) {
                $items[] = new Node(
                    'listItem',
                    content: 'paragraph' === $blocks[0]->type ? $blocks : [Node::paragraph([]), ...$blocks],
                );
            }
        }
        $level = $this->styles->listLevel('' === $style ? '' : $style, min(9, $depth));
        if ([] === $items) {
            return null;
        }

        return $level['kind']->listOf(max(0, (int) ($start ?? $level['start'])), $items);
    }

    /** @return list<Node> */
    private function itemBlocks(\DOMElement $item, string $style, int $depth): array
    {
        $blocks = [];
        foreach (Xml::children($item) as $part) {
            if ('list' === $part->localName) {
                $inner = $depth < 20 ? $this->listOf($part, $style, $depth + 1) : null;
                if ($depth >= 20) {
                    $this->builder->note(ImportNote::NestingCut);
                }
                $blocks = null === $inner ? $blocks : [...$blocks, $inner];
            } elseif (in_array($part->localName, ['p', 'h'], true)) {
                $line = $this->lines->line($part, $this->styles->paragraph(Xml::attribute($part, 'style-name')));
                $blocks[] = Node::paragraph($line->inline);
            } elseif ('table' === $part->localName) {
                array_push($blocks, ...$this->tables($part));
            }
        }

        return $blocks;
    }

    /**
     * A frame holds a picture, or a box with text; a picture in a box with other words is a picture with its caption.
     */
    private function frame(\DOMElement $frame): void
    {
        $box = Xml::descendant($frame, 'text-box');
        $inner = null === $box ? null : Xml::descendant($box, 'frame');
        if (null !== $inner) {
            $picture = Xml::descendant($inner, 'image');
            $paragraph = Xml::child($box, 'p');
            if (null !== $picture && null !== $paragraph) {
                $line = $this->lines->line($paragraph, new ParagraphStyle());
                foreach ($line->inline as $node) {
                    if ('image' === $node->type) {
                        $caption = array_values(
                            array_filter($line->inline, static fn(Node $each): bool => 'image' !== $each->type),
                        );
                        $this->flow->block(
                            new Node(
                                'figure',
                                $node->attributes,
                                '' === trim(Node::plainTextOf($caption)) ? [] : $caption,
                            ),
                        );

                        return;
                    }
                }
            }
        }
        if (null === $box) {
            return;
        }
        $this->builder->note(ImportNote::TextBoxInLine);
        $this->read(Xml::children($box));
    }

    /** @return list<Node> one, or none of a table without rows */
    private function tables(\DOMElement $table): array
    {
        $rows = $this->rowsOf($table);

        return [] === $rows ? [] : [new Node('table', content: [new Node('caption'), ...$rows])];
    }

    /** @return list<Node> */
    private function rowsOf(\DOMElement $table): array
    {
        $grid = new CellGrid();
        $this->rows($table, false, $grid);

        return $grid->rows();
    }

    private function rows(\DOMElement $within, bool $isHeader, CellGrid $grid): void
    {
        foreach (Xml::children($within) as $part) {
            if (in_array($part->localName, ['table-header-rows', 'table-row-group', 'table-rows'], true)) {
                $this->rows($part, 'table-header-rows' === $part->localName, $grid);
            } elseif ('table-row' === $part->localName) {
                $grid->beginRow();
                $this->cells($part, $isHeader, $grid);
            }
        }
    }

    private function cells(\DOMElement $row, bool $isHeader, CellGrid $grid): void
    {
        foreach (Xml::children($row) as $cell) {
            if (!in_array($cell->localName, ['table-cell', 'covered-table-cell'], true)) {
                continue;
            }
            [$inline, $align] = $this->cellText($cell);
            // Words in a place that is covered are not seen; they are kept in a cell of their own.
            if ('covered-table-cell' === $cell->localName && [] === $inline) {
                continue;
            }
            $repeated = max(1, min(self::MOST_REPEATED, (int) (Xml::attribute($cell, 'number-columns-repeated') ?? 1)));
            for (; $repeated > 0; --$repeated) {
                $grid->cell(
                    new Node('tableCell', ['header' => $isHeader, 'align' => $align], $inline),
                    (int) (Xml::attribute($cell, 'number-columns-spanned') ?? 1),
                    (int) (Xml::attribute($cell, 'number-rows-spanned') ?? 1),
                );
            }
        }
    }

    /** @return array{list<Node>, string|null} */
    private function cellText(\DOMElement $cell): array
    {
        $inline = [];
        $align = null;
        foreach ($this->cellLines($cell) as [$words, $style]) {
            $align ??= match ($style->align) {
                'center' => 'center',
                'end', 'right' => 'right',
                default => null,
            };
            if ([] !== $words) {
                $inline = [] === $inline ? $words : [...$inline, new Node('hardBreak'), ...$words];
            }
        }

        return [$inline, $align];
    }

    /** @return iterable<array{list<Node>, ParagraphStyle}> */
    private function cellLines(\DOMElement $cell): iterable
    {
        foreach (Xml::children($cell) as $part) {
            if (in_array($part->localName, ['p', 'h'], true)) {
                if ('h' === $part->localName) {
                    $this->builder->note(ImportNote::HeadingInTable);
                }
                $style = $this->styles->paragraph(Xml::attribute($part, 'style-name'));
                // A heading row is bold by being one.
                yield [
                    $this->lines->line(
                        $part,
                        $style,
                        false,
                        1 === preg_match('/\ATable (?:Heading|Contents)\z/i', $style->name),
                    )->inline,
                    $style,
                ];
            } elseif ('table' === $part->localName) {
                $this->builder->note(ImportNote::TableInTable);
                foreach ($this->rowsOf($part) as $row) {
                    yield [
                        [
                            Node::text(
                                implode(
                                    ' | ',
                                    array_map(static fn(Node $inner): string => $inner->plainText(), $row->content),
                                ),
                            ),
                        ],
                        new ParagraphStyle(),
                    ];
                }
            } elseif (in_array($part->localName, ['list', 'list-item'], true)) {
                yield from $this->cellLines($part);
            }
        }
    }

    /** Whether a part is more than letters, or the name of a place. */
    private static function isSeen(Node $part): bool
    {
        return !$part->isText() && !in_array($part->type, ['bookmark', 'bookmarkEnd'], true);
    }
}
