<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Rendition\BlockVisitor;
use Stemmata\Core\Rendition\RenderedSection;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Rendition\TableShape;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Direction;
use Stemmata\Core\Text\ListStyle;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\CalculationBlock;
use Stemmata\Format\Shared\KindStyle;

/** Writes the body (ECMA-376-1, 17.2): one long row of paragraphs and tables, each with its style. */
final class Blocks extends BlockVisitor
{
    private const SPACE = '<w:p><w:pPr><w:pStyle w:val="SpaceBetween"/></w:pPr></w:p>';
    /** Blocks that are one paragraph after the other in the file. */
    private const RUNS = ['codeBlock', 'quotation', 'bulletList', 'orderedList'];
    private const PAGE_BREAK = '<w:p><w:r><w:br w:type="page"/></w:r></w:p>';
    /** Twentieths of a point: an A4 page without its margins. */
    private const TEXT_WIDTH = 9070;
    /** A list deeper than this stands at the deepest level there is. */
    private const DEEPEST = 8;

    /** How deep in lists the block stands; -1 outside of any. */
    private int $depth = -1;
    private bool $isQuoted = false;
    /** Whether a style sheet of the writer’s own tells apart what looks alike otherwise. */
    private readonly bool $isChanged;
    private readonly HouseStyle $style;
    /** What stands right under the heading. */
    private ?Node $first = null;
    /** Whether the paragraph above bears a numbering of its own. */
    private bool $isAfterNumbers = false;
    /** @var array<string, true> languages of code */
    private array $languages = [];

    public function __construct(
        private readonly Rendition $rendition,
        private readonly Runs $runs,
        private readonly Numbering $numbering,
        private readonly Places $places,
    ) {
        $this->style = $rendition->document->setup->style();
        $this->isChanged = $this->style->isChanged;
    }

    /** @return list<string> languages that code in the text is in, each with a style of its own */
    public function languages(): array
    {
        return array_map(strval(...), array_keys($this->languages));
    }

    /** The lines before the text: title, subtitle, author and date, as far as there are any. */
    public function titlePage(): string
    {
        $block = $this->rendition->titleBlock();
        $xml = '';
        foreach (
            $this->rendition->isBranch()
                ? []
                : [
                    'Title' => $block->title,
                    'Subtitle' => $block->subtitle,
                    'Author' => $block->author,
                    'Date' => $block->date,
                ]
            as $style => $words
        ) {
            $xml .= '' === $words ? '' : self::styled($style, Runs::words($words));
        }

        return $xml;
    }

    public function section(RenderedSection $section): string
    {
        $this->places->begin([...$section->heading, ...$section->blocks]);
        $heading = $this->heading($section);
        $last = $section->blocks[count($section->blocks) - 1] ?? null;
        $this->isAfterNumbers = null === $last ? $this->isAfterNumbers : str_ends_with($last->type, 'List');

        $this->first = '' === $heading ? null : $section->blocks[0] ?? null;

        return $heading . $this->of($section->blocks);
    }

    /** @param list<Node> $blocks */
    public function of(array $blocks): string
    {
        $xml = '';
        foreach ($blocks as $index => $block) {
            $above = $blocks[$index - 1] ?? null;
            // Two of a kind in a row would be read as one.
            $isSecond = in_array($block->type, self::RUNS, true) && $block->type === ($above->type ?? '');
            $xml .= ($isSecond ? self::SPACE : '') . $this->block($block);
        }

        return $xml;
    }

    /** A paragraph; `$more` is what it says beyond its style. */
    public static function styled(string $style, string $runs, string $more = ''): string
    {
        return '<w:p><w:pPr><w:pStyle w:val="' . $style . '"/>' . $more . '</w:pPr>' . $runs . '</w:p>';
    }

    private function heading(RenderedSection $section): string
    {
        if ($section->level->isOpening()) {
            return '';
        }
        [$numbering, $words] = $this->numbering->ofHeading($section);
        $runs = ('' === $words ? '' : Runs::words($words . ' ')) . $this->runs->of($section->heading);
        $hasBookmark =
            [] !== array_filter($section->heading, static fn(Node $part): bool => 'bookmark' === $part->type);
        $runs =
            null === $section->place && !$hasBookmark
                ? $runs
                : $this->places->named(Places::ofSection($section->id), $runs);
        // The format has no sign for it; a bookmark that nobody is shown keeps it for us.
        $runs = $section->isInContents() ? $runs : $this->places->named(Places::LEFT_OUT . $section->id) . $runs;

        $hasOwnNumbering = '' !== $numbering && !Numbering::isNone($numbering);
        // A heading with a numbering of its own, right after a numbered paragraph, is taken for an item of its list by
        // some programs,
        // which see nothing in a paragraph between the two that holds nothing.
        $space =
            $hasOwnNumbering && $this->isAfterNumbers
                ? self::styled('SpaceBetween', $this->places->named(Places::SPACE . $section->id))
                : '';
        $this->isAfterNumbers = $hasOwnNumbering;

        $direction = Direction::isRightToLeft(Node::plainTextOf($section->heading)) ? '<w:bidi/>' : '';

        return $space .
            ByHand::paragraph(
                self::styled('Heading' . $section->level->value, $runs, $numbering . $direction),
                $section->shape,
                $this->style->of(TextKind::Heading, $section->level->value),
            );
    }

    protected function paragraph(Node $paragraph): string
    {
        return $this->byHand($this->asItsKind($paragraph), $paragraph);
    }

    private function byHand(string $xml, Node $paragraph): string
    {
        $shape = $paragraph->shape();

        return $shape->isEmpty()
            ? $xml
            : ByHand::paragraph($xml, $shape, $this->style->named($paragraph->kind() ?? $this->kindAround($paragraph)));
    }

    private function kindAround(Node $paragraph): string
    {
        return match (true) {
            $this->isQuoted => TextKind::Quotation->value,
            $this->depth >= 0 => TextKind::ListItem->atDepth($this->depth + 1),
            $paragraph === $this->first => TextKind::FirstParagraph->value,
            default => TextKind::Body->value,
        };
    }

    private function asItsKind(Node $paragraph): string
    {
        $runs = $this->runs->of($paragraph->content);

        $kind = $paragraph->kind();
        if (null === $kind && $this->isQuoted) {
            return self::styled('Quote', $runs);
        }
        if (null === $kind && self::isBlank($paragraph)) {
            return self::styled('BlankLine', $runs);
        }
        $style = match (true) {
            null !== $kind => KindStyle::id($kind),
            $this->isChanged && $paragraph === $this->first => 'FirstParagraph',
            default => null,
        };
        $direction = Direction::isRightToLeft($paragraph->plainText()) ? '<w:bidi/>' : '';
        if (null !== $style) {
            return self::styled($style, $runs, $direction);
        }

        return '<w:p>' . ('' === $direction ? '' : '<w:pPr>' . $direction . '</w:pPr>') . $runs . '</w:p>';
    }

    /** Programs leave blank lines between paragraphs and after lists; this one is the writer's. */
    private static function isBlank(Node $paragraph): bool
    {
        return [] ===
            array_filter(
                $paragraph->content,
                static fn(Node $part): bool => !in_array($part->type, ['bookmark', 'bookmarkEnd'], true) &&
                    (!$part->isText() || '' !== trim($part->text)),
            );
    }

    private function itemStyle(Node $paragraph): string
    {
        return match (true) {
            null !== $paragraph->kind() => KindStyle::id($paragraph->kind()),
            $this->isQuoted => 'Quote',
            self::isBlank($paragraph) => 'BlankLine',
            $this->isChanged && $this->depth > 0 => 'ListParagraph' . ($this->depth + 1),
            default => 'ListParagraph',
        };
    }

    protected function quotation(Node $quotation): string
    {
        [$wasQuoted, $this->isQuoted] = [$this->isQuoted, true];
        $xml = $this->of($quotation->content);
        $this->isQuoted = $wasQuoted;

        return $xml;
    }

    protected function bulletList(Node $list): string
    {
        return $this->items($list, static fn(): string => Numbering::BULLETS);
    }

    protected function orderedList(Node $list): string
    {
        return $this->items(
            $list,
            fn(int $depth): string => $this->numbering->orderedList(
                self::start($list),
                $depth,
                ListStyle::of($list->attribute('style')),
            ),
        );
    }

    /** @param \Closure(int): string $instance of the numbering, by depth */
    private function items(Node $list, \Closure $instance): string
    {
        ++$this->depth;
        $depth = min(self::DEEPEST, $this->depth);
        $numbers = $instance($depth);
        $xml = '';
        foreach ($list->content as $item) {
            foreach ($item->content as $index => $block) {
                $xml .= match (true) {
                    'paragraph' !== $block->type => $this->block($block),
                    0 === $index => $this->byHand(
                        self::styled(
                            $this->itemStyle($block),
                            $this->runs->of($block->content),
                            Numbering::properties($numbers, $depth),
                        ),
                        $block,
                    ),
                    default => $this->byHand(
                        self::styled(
                            self::isBlank($block) ? 'BlankLine' : 'ListContinue',
                            $this->runs->of($block->content),
                            Numbering::properties(Numbering::GOES_ON, $depth),
                        ),
                        $block,
                    ),
                };
            }
        }
        --$this->depth;

        return $xml;
    }

    protected function code(Node $code): string
    {
        $language = $code->textAttribute('language');
        if ('' !== $language) {
            $this->languages[$language] = true;
        }

        return self::styled(StylesPart::codeStyle($language), Runs::words($code->plainText()));
    }

    protected function calculation(Node $calculation): string
    {
        return self::styled(
            'Calculation',
            Runs::words(
                CalculationBlock::written(
                    Rendition::expression($calculation),
                    $this->rendition->findResult($calculation),
                ),
            ),
        );
    }

    protected function figure(Node $figure): string
    {
        $hasCaption = [] !== $figure->content;

        return self::styled('Figure', $this->runs->image($figure), $hasCaption ? '<w:keepNext/>' : '') .
            ($hasCaption ? self::styled('Caption', self::lead($figure) . $this->runs->of($figure->content)) : '');
    }

    /** The number of a caption, counted on by the reader’s program as well (ECMA-376-1, 17.16.5.56). */
    private static function lead(Node $captioned): string
    {
        if (1 !== preg_match('/\A(.* (?:\S+\.)?)(\d+)\z/s', $captioned->textAttribute('label'), $match)) {
            return '';
        }
        // Counted anew under each heading of level 1, where its number stands before.
        $restarts = str_ends_with($match[1], '.') ? ' \s 1' : '';

        return Runs::words($match[1]) .
            Runs::field('SEQ ' . ucfirst($captioned->type) . ' \* ARABIC' . $restarts, Runs::words($match[2])) .
            Runs::words('. ');
    }

    protected function table(Node $table): string
    {
        $shape = TableShape::of(array_slice($table->content, 1));
        $grid = str_repeat(
            sprintf('<w:gridCol w:w="%d"/>', intdiv(self::TEXT_WIDTH, $shape->columns)),
            $shape->columns,
        );
        $caption = $table->content[0]->content;

        return ([] === $caption
            ? ''
            : self::styled('Caption', self::lead($table) . $this->runs->of($caption), '<w:keepNext/>')) .
            '<w:tbl><w:tblPr><w:tblStyle w:val="TableLines"/><w:tblW w:w="0" w:type="auto"/></w:tblPr><w:tblGrid>' .
            $grid .
            '</w:tblGrid>' .
            implode('', array_map(fn(array $row): string => $this->row($row, $shape->columns), $shape->rows)) .
            '</w:tbl>' .
            self::SPACE;
    }

    /** @param list<array{cell: Node, column: int, columns: int, begins: bool}> $row */
    private function row(array $row, int $columns): string
    {
        $isHeader =
            [] === array_filter($row, static fn(array $place): bool => true !== $place['cell']->attribute('header'));
        $cells = array_map(
            fn(array $place): string => $this->cell($place['cell'], $place['columns'], $place['begins']),
            $row,
        );
        $before = $row[0]['column'] ?? 0;
        $missing = $columns - max(0, ...array_map(static fn(array $at): int => $at['column'] + $at['columns'], $row));
        $more =
            ($before > 0 ? sprintf('<w:gridBefore w:val="%d"/>', $before) : '') .
            ($missing > 0 ? sprintf('<w:gridAfter w:val="%d"/>', $missing) : '') .
            ($isHeader ? '<w:tblHeader/>' : '');

        return '<w:tr>' . ('' === $more ? '' : '<w:trPr>' . $more . '</w:trPr>') . implode('', $cells) . '</w:tr>';
    }

    /** @param bool $begins false for a place that a cell of a row above goes on in */
    private function cell(Node $cell, int $columns, bool $begins): string
    {
        $align = $cell->textAttribute('align');
        $style = true === $cell->attribute('header') ? 'TableHeading' : 'TableText';
        $spans =
            ($columns > 1 ? sprintf('<w:gridSpan w:val="%d"/>', $columns) : '') .
            match (true) {
                !$begins => '<w:vMerge/>',
                null !== $cell->attribute('rows') => '<w:vMerge w:val="restart"/>',
                default => '',
            };

        return '<w:tc>' .
            ('' === $spans ? '<w:tcPr/>' : '<w:tcPr>' . $spans . '</w:tcPr>') .
            self::styled(
                $style,
                $begins ? $this->runs->of($cell->content) : '',
                '' === $align ? '' : '<w:jc w:val="' . $align . '"/>',
            ) .
            '</w:tc>';
    }

    protected function formulaBlock(Node $formula): string
    {
        $math = $this->runs->math($formula);

        return ($this->isChanged ? '<w:p><w:pPr><w:pStyle w:val="Formula"/></w:pPr>' : '<w:p>') .
            (str_starts_with($math, '<m:') ? '<m:oMathPara>' . $math . '</m:oMathPara>' : $math) .
            '</w:p>';
    }

    protected function separator(): string
    {
        return self::styled('Separator', '');
    }

    protected function pageBreak(): string
    {
        return self::PAGE_BREAK;
    }

    /**
     * Contents are a field: lines as they are now, each a link; the reader's program adds pages when it makes them
     * anew.
     */
    protected function contents(Node $contents): string
    {
        $settings = ContentsSettings::in($contents);
        [$from, $to] = [$settings->from, $settings->to];
        $title = $contents->textAttribute('title');
        $lines = $this->rendition->contentsLines($contents);
        // Lines that the writer left out are there, but hidden: another program passes over them, a reader of ours does not.
        $out = '';
        foreach ($this->rendition->leftOutOf($contents) as [$section, $which]) {
            $out .= sprintf(
                '<w:p><w:pPr><w:pStyle w:val="TOC1"/><w:rPr><w:vanish/></w:rPr></w:pPr><w:hyperlink w:anchor="%s"><w:r><w:rPr><w:vanish/></w:rPr><w:t>%s</w:t></w:r></w:hyperlink></w:p>',
                Xml::escaped(Places::ofSection($section)),
                $which ?? '–',
            );
        }
        $xml = '' === $title ? '' : self::styled('TOCHeading', Runs::words($title));
        $begin = Runs::fieldBegin(sprintf('TOC \o "%d-%d" \h \z \u', $from, $to));
        foreach ($lines as $index => $line) {
            $link = sprintf(
                '<w:hyperlink w:anchor="%s" w:history="1"%s>%s</w:hyperlink>',
                Xml::escaped(
                    ('bookmark' === $line->kind ? $this->places->find(LinkTarget::toBookmark($line->id)) : null) ??
                        Places::ofSection($line->section),
                ),
                null === $line->byHand ? '' : ' w:tooltip="' . Xml::escaped($line->byHand) . '"',
                Runs::words($line->words, $this->lookOf($settings->looks[$line->level] ?? null, $line->level)),
            );
            $xml .= self::styled(
                'TOC' . $line->level,
                (0 === $index ? $begin : '') . $link . (count($lines) - 1 === $index ? Runs::FIELD_END : ''),
            );
        }
        $xml .= $out;
        $xml .= [] === $lines ? '<w:p>' . $begin . Runs::FIELD_END . '</w:p>' : '';
        $made = implode(' ', [
            sprintf('contents %d-%d', $from, $to),
            ...array_keys(
                array_filter([
                    'numbers' => $settings->numbers,
                    $settings->of->value => ContentsOf::Headings !== $settings->of,
                    $settings->pages->value => ContentsPages::Dotted !== $settings->pages,
                    'two-columns' => $settings->twoColumns,
                    'shaded' => $settings->isShaded,
                    'own-page' => $settings->onOwnPage,
                    'always-current' => $settings->isAlwaysCurrent,
                ]),
            ),
            ...array_map(
                static fn(int $level, LineLook $look): string => $look->value . '-' . $level,
                array_keys($settings->looks),
                $settings->looks,
            ),
        ]);

        return '<w:sdt><w:sdtPr><w:alias w:val="' .
            Xml::escaped(mb_substr($title, 0, 60)) .
            '"/><w:tag w:val="' .
            $made .
            '"/><w:docPartObj><w:docPartGallery w:val="Table of Contents"/><w:docPartUnique/></w:docPartObj></w:sdtPr><w:sdtContent>' .
            $xml .
            '</w:sdtContent></w:sdt>';
    }

    /** Properties of a run. */
    private function lookOf(?LineLook $look, int $level): string
    {
        $style = $this->rendition->document->setup->style()->of(TextKind::ContentsLine, $level);

        return match ($look) {
            null => '',
            LineLook::Strong => '<w:b/>',
            LineLook::Regular => '<w:b w:val="0"/><w:i w:val="0"/>',
            LineLook::Italic => '<w:i/>',
            LineLook::Small => sprintf('<w:sz w:val="%d"/>', round(2 * $style->size * LineLook::SMALL)),
        };
    }

    protected function unreadable(Node $unreadable): string
    {
        return self::styled(StylesPart::codeStyle(''), Runs::words($unreadable->plainText()));
    }
}
