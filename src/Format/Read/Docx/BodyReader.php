<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\UniformMarks;
use Stemmata\Core\TypedNumber\TypedNumber;
use Stemmata\Format\Read\BlockFlow;
use Stemmata\Format\Read\CellGrid;
use Stemmata\Format\Read\Contents\FoundContents;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Office\BookmarkMark;
use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Office\TitleLines;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Shared\CalculationBlock;

/** Goes through the body, paragraph by paragraph and table by table. */
final class BodyReader
{
    /** Columns of a table, whatever a cell says that it spans. */
    private const WIDEST = 200;
    /** Deeper than any heading. */
    private const NO_LEVEL = 10;

    private BlockFlow $flow;
    public readonly TitleLines $titleLines;
    private ContentsReader $contents;
    /** Of the heading without a number that the others now stand under. */
    private int $unnumberedLevel = self::NO_LEVEL;

    public function __construct(
        private readonly DocumentBuilder $builder,
        private readonly Styles $styles,
        private readonly ListNumbering $numbering,
        private readonly LineReader $lines,
    ) {
        $this->flow = new BlockFlow($builder);
        $this->titleLines = new TitleLines();
        $this->contents = new ContentsReader();
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
        $this->endContents();
        $this->flow->finish();
    }

    private function element(\DOMElement $element): void
    {
        switch ($element->localName) {
            case 'p':
                $this->paragraph($element);
                break;
            case 'tbl':
                $this->endContents();
                $this->table($element);
                break;
            case 'sdt':
                $this->contentControl($element);
                break;
            case 'bookmarkStart':
                $this->bookmarkBetween(Xml::attribute($element, 'name') ?? '');
                break;
            case 'ins':
            case 'moveTo':
            case 'customXml':
                $this->read(Xml::children($element));
                break;
            case 'altChunk':
                $this->builder->note(ImportNote::ObjectLost);
                break;
        }
    }

    private function contentControl(\DOMElement $control): void
    {
        $ours = ContentsReader::findOurs($control);
        if (null !== $ours) {
            $this->endContents();
            $this->contents($ours);

            return;
        }
        $gallery = Xml::value(Xml::child(Xml::child($control, 'sdtPr'), 'docPartObj'), 'docPartGallery') ?? '';
        if (
            1 ===
            preg_match(
                '/\A(?:Table of (?:Contents|Figures|Tables)|Tables of Contents|Bibliographies? Index)\z/i',
                $gallery,
            )
        ) {
            $this->endContents();
            $isOfHeadings = 'table of contents' === strtolower($gallery);
            $this->contents($isOfHeadings ? ContentsReader::inControl($control) : FoundContents::byProgram());

            return;
        }
        $content = Xml::child($control, 'sdtContent');
        if (null !== $content) {
            $this->read(Xml::children($content));
        }
    }

    private function contents(FoundContents $found): void
    {
        $this->flow->finish();
        $block = $this->builder->contents($found);
        if (null !== $block) {
            $this->flow->block($block);
        }
    }

    private function endContents(): void
    {
        $found = $this->contents->ended();
        if (null !== $found) {
            $this->contents($found);
        }
    }

    private function paragraph(\DOMElement $paragraph): void
    {
        $properties = Xml::child($paragraph, 'pPr');
        $named = $this->styles->paragraph(Xml::value($properties, 'pStyle'));
        $direct = Properties::of($properties, null);
        $style = $named->with($direct);
        $level = $style->isTitle() || $style->isSubtitle() ? null : $style->findHeadingLevel();
        if ($style->isContents() && null === $level) {
            $this->lines->line($paragraph, $style);
            $this->contents->paragraph($paragraph);

            return;
        }
        $line = $this->lines->line($paragraph, $style, null !== $level, $style->isQuotation() || $style->isCaption());
        if (
            null !== $level &&
            $line->isBlank() &&
            (null !== Xml::child($paragraph, 'del') || null !== Xml::child($paragraph, 'moveFrom'))
        ) {
            // Its words were deleted, with a record of it; what is left is no heading.
            return;
        }
        if ($line->isContents && $line->isBlank()) {
            $this->contents->paragraph($paragraph);

            return;
        }
        if (!$line->isBlank()) {
            $this->endContents();
        }
        if (true === $direct->breakBefore) {
            $this->pageBreak();
        }
        if (null === $level) {
            $this->text($line, $style, null !== Xml::child($properties, 'keepNext'));
        } else {
            $this->heading($line, $style, $level, $this->isTakenOut($level, $named, $direct) ? Outline::UNNUMBERED : 0);
        }
        $this->read($line->boxes);
        if (
            null !== Xml::child($properties, 'sectPr') &&
            'continuous' !== Xml::value(Xml::child($properties, 'sectPr'), 'type')
        ) {
            $this->pageBreak();
        }
    }

    /** Whether a heading does not bear the number of its style, and none above it is the reason. */
    private function isTakenOut(int $level, ParagraphStyle $named, ParagraphStyle $direct): bool
    {
        if ($level <= $this->unnumberedLevel) {
            $this->unnumberedLevel = self::NO_LEVEL;
        }
        $isTakenOut =
            '0' === $direct->numId && $this->numbering->has($named->numId) && $level <= $this->unnumberedLevel;
        if ($isTakenOut) {
            $this->unnumberedLevel = $level;
        }

        return $isTakenOut;
    }

    private function heading(Line $line, ParagraphStyle $style, int $level, int $flags): void
    {
        foreach (array_slice($line->parts, 0, -1) as $leadingParts) {
            if ([] === $leadingParts) {
                $this->pageBreak();
            }
        }
        // A line with a heading's style that holds nothing but a page break or a picture is none.
        $inline = $line->inline();
        if (count($line->parts) > 1 && $line->isBlank()) {
            return;
        }
        $pictures = array_values(array_filter($inline, static fn(Node $node): bool => 'image' === $node->type));
        if ([] !== $pictures && '' === trim(Node::plainTextOf($inline))) {
            $this->text($line, $style, false);

            return;
        }
        $printed = '';
        if ($this->numbering->has($style->numId) && null !== $style->numId) {
            $this->numbering->next($style->numId, $style->numLevel ?? 0);
            $printed = $this->numbering->printed($style->numId, $style->numLevel ?? 0);
        }
        $words = array_map(
            static fn(Node $node): Node => $node->isText()
                ? Node::text(strtr($node->text, "\t", ' '), $node->marks)
                : $node,
            UniformMarks::without($inline),
        );
        if (null !== TypedNumber::find(Node::plainTextOf($words))) {
            $flags = 0;
        }
        if ([] !== array_filter($line->anchors, BookmarkMark::isLeftOutOfContents(...))) {
            $flags |= Outline::LEFT_OUT_OF_CONTENTS;
        }
        $this->flow->heading($level, $words, $line->anchors, $flags, $printed);
    }

    private function text(Line $line, ParagraphStyle $style, bool $staysWithNext): void
    {
        foreach ($line->parts as $index => $inline) {
            if ($index > 0) {
                $this->pageBreak();
            }
            if ([] !== $inline || (0 === $index && 1 === count($line->parts))) {
                $this->textBetweenBreaks($inline, $style, $line, $staysWithNext);
            }
        }
    }

    /** @param list<Node> $inline */
    private function textBetweenBreaks(array $inline, ParagraphStyle $style, Line $line, bool $staysWithNext): void
    {
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

            return;
        }
        if ($style->isSeparator() && '' === $words) {
            $this->flow->block(new Node('separator'));

            return;
        }
        if ($style->isSpaceBetween() && '' === $words) {
            $this->flow->finish();

            return;
        }
        $isBlankLine = $style->isBlankLine() && '' === $words;
        if ($isBlankLine && !$this->numbering->has($style->numId)) {
            $this->flow->block(Node::paragraph($inline));

            return;
        }
        if (!$isBlankLine && '' === $words && [] === array_filter($inline, self::isSeen(...))) {
            // A blank line between paragraphs is a look; its bookmarks move on to what follows.
            $style->isCode() && $this->flow->isInCode()
                ? $this->flow->codeLine('', $bookmarks, $style->codeLanguage())
                : $this->flow->bookmarksForNext($bookmarks);

            return;
        }
        $paragraph = Node::paragraph($inline, $style->look($line->size), $style->kind);
        if ($style->isCode()) {
            $this->flow->codeLine(Node::plainTextOf($inline), $bookmarks, $style->codeLanguage());
        } elseif ($style->isCalculation()) {
            $this->flow->block(CalculationBlock::read(Node::plainTextOf($inline)));
        } elseif ($style->isCaption()) {
            $this->flow->caption($inline, $staysWithNext);
        } elseif ($this->numbering->has($style->numId) && null !== $style->numId) {
            $depth = $style->numLevel ?? 0;
            if (
                $this->numbering->isContinuation($style->numId, $depth) &&
                $this->flow->itemGoesOn($depth, Node::paragraph($inline, kind: $style->kind))
            ) {
                return;
            }
            $number = $this->numbering->next($style->numId, $depth);
            $this->flow->item(
                $style->numId,
                $depth,
                $this->numbering->kind($style->numId, $depth),
                $number,
                [Node::paragraph($inline, kind: $style->kind)],
                $style->isQuotation(),
            );
        } elseif ($style->isQuotation()) {
            $this->flow->quoted(Node::paragraph($inline));
        } else {
            $this->flow->block($paragraph);
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

    private function table(\DOMElement $table): void
    {
        $rows = $this->rowsOf($table);
        if ([] === $rows) {
            return;
        }
        $caption = Xml::value(Xml::child($table, 'tblPr'), 'tblCaption') ?? '';
        $this->flow->block(
            new Node(
                'table',
                content: [new Node('caption', content: '' === $caption ? [] : [Node::text($caption)]), ...$rows],
            ),
        );
    }

    /** @return list<Node> */
    private function rowsOf(\DOMElement $table): array
    {
        $grid = new CellGrid();
        $cells = $this->cellsOf($table);
        foreach ($cells as $row => $line) {
            $grid->beginRow();
            foreach ($line as $column => [$cell, $columns, $goesOn]) {
                if ($goesOn && isset($cells[$row - 1][$column])) {
                    continue;
                }
                for ($rows = 1; true === ($cells[$row + $rows][$column][2] ?? false); ++$rows) {
                }
                $grid->cell($cell, $columns, $rows);
            }
        }

        return $grid->rows();
    }

    /**
     * @return list<array<int, array{Node, int, bool}>> for each row, by column: the cell, the columns it spans, and
     *     whether it only goes on the one above
     */
    private function cellsOf(\DOMElement $table): array
    {
        $lines = [];
        foreach (Xml::children($table) as $row) {
            if ('tr' === $row->localName) {
                $properties = Xml::child($row, 'trPr');
                $isHeader = true === Xml::toggle($properties, 'tblHeader');
                $line = [];
                $column = min(self::WIDEST, Xml::integer($properties, 'gridBefore') ?? 0);
                foreach ($this->cells($row, $isHeader) as $cell) {
                    $line[$column] = $cell;
                    $column += $cell[1];
                }
                $lines[] = $line;
            }
        }

        return $lines;
    }

    /** @return list<array{Node, int, bool}> */
    private function cells(\DOMElement $row, bool $isHeader): array
    {
        $cells = [];
        foreach (Xml::children($row) as $cell) {
            if ('sdt' === $cell->localName && null !== ($content = Xml::child($cell, 'sdtContent'))) {
                array_push($cells, ...$this->cells($content, $isHeader));
            }
            if ('tc' !== $cell->localName) {
                continue;
            }
            $properties = Xml::child($cell, 'tcPr');
            $merge = Xml::child($properties, 'vMerge');
            [$inline, $align, $isHeading] = $this->cellText($cell);
            $cells[] = [
                new Node('tableCell', ['header' => $isHeader || $isHeading, 'align' => $align], $inline),
                max(1, min(self::WIDEST, Xml::integer($properties, 'gridSpan') ?? 1)),
                // Words in a place that is covered are not seen; they are kept in a cell of their own.
                null !== $merge && 'restart' !== Xml::attribute($merge, 'val') && [] === $inline,
            ];
        }

        return $cells;
    }

    /**
     * @return array{list<Node>, string|null, bool} the paragraphs of a cell as lines, how they are set,
     *     and whether they are of a heading of the table
     */
    private function cellText(\DOMElement $cell): array
    {
        $inline = [];
        $align = null;
        $isHeading = false;
        foreach (Xml::children($cell) as $part) {
            if ('tbl' === $part->localName) {
                $this->builder->note(ImportNote::TableInTable);
                $lines = array_map(
                    static fn(Node $row): string => implode(
                        ' | ',
                        array_map(static fn(Node $inner): string => $inner->plainText(), $row->content),
                    ),
                    $this->rowsOf($part),
                );
                $words = [] === $lines ? [] : [Node::text(implode("\u{2028}", $lines))];
            } elseif ('p' === $part->localName) {
                $style = $this->styles
                    ->paragraph(Xml::value(Xml::child($part, 'pPr'), 'pStyle'))
                    ->with(Properties::of(Xml::child($part, 'pPr'), null));
                if (null !== $style->findHeadingLevel()) {
                    $this->builder->note(ImportNote::HeadingInTable);
                }
                $words = $this->lines->line($part, $style)->inline();
                // Left is what most programs say of most words, so only ours is meant.
                $align ??= in_array(
                    $style->align,
                    $style->isTableText() ? ['left', 'center', 'right'] : ['center', 'right'],
                    true,
                )
                    ? $style->align
                    : null;
                $isHeading = $isHeading || $style->isTableHeading();
            } else {
                continue;
            }
            if ([] !== $words) {
                $inline = [] === $inline ? $words : [...$inline, new Node('hardBreak'), ...$words];
            }
        }

        return [$inline, $align, $isHeading];
    }

    /** Whether a part is more than letters, or the name of a place. */
    private static function isSeen(Node $part): bool
    {
        return !$part->isText() && !in_array($part->type, ['bookmark', 'bookmarkEnd'], true);
    }
}
