<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Markup;

use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Rendition\BlockVisitor;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Rendition\TableShape;
use Stemmata\Core\Style\Capitals;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Direction;
use Stemmata\Core\Text\ListStyle;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\CalculationBlock;

/** Writes the blocks of a text as markup of the engine, in calls of what `book.typ` defines. */
final class BlockTypst extends BlockVisitor
{
    /** The engine gives up on quotations that are nested more deeply, and takes twice as long for each list within a list. */
    private const DEEPEST_QUOTATION = 6;
    private const DEEPEST_LIST = 12;

    private int $depth = 0;
    /** Quotations and lists around what is written. */
    private int $quotations = 0;
    private int $lists = 0;
    private string $section = '';
    private const FLATTENED = '#block-spot(told("flattened"));' . "\n";

    /** How many pictures and tables of the section have been met. */
    private int $captions = 0;
    /** How many contents of the section have been met. */
    private int $contents = 0;
    /** The first block of the section. */
    private ?Node $first = null;
    /** Whether that is a table on a landscape page, which the heading goes to as well. */
    private bool $isHeadedSideways = false;

    /** What paragraphs are of there that are of no kind of the writer’s own. */
    private TextKind $around = TextKind::Body;

    /** Whether the next paragraph is the first one under a heading. */
    private bool $isUnderHeading = false;
    /** Whether the paragraph above looks otherwise than the body, or is the first one under the heading. */
    private bool $isAfterOwn = false;
    private bool $isAfterFirst = false;
    private readonly bool $isBoxed;
    private readonly HouseStyle $style;

    public function __construct(private readonly InlineTypst $inline, private readonly Rendition $rendition)
    {
        $this->style = $rendition->document->setup->style();
        $this->isBoxed = self::boxes($this->style);
    }

    /** Whether paragraphs of the body have something about them that the engine knows of blocks only. */
    public static function boxes(HouseStyle $style): bool
    {
        $body = $style->of(TextKind::Body);

        return [$body->ground, $body->ruleAbove, $body->ruleBelow, $body->frame] !== [null, null, null, null] ||
            $body->underline ||
            $body->keepTogether ||
            $body->keepWithNext ||
            Capitals::None !== $body->capitals ||
            $body->spaceBefore > 0 ||
            $body->indentStart > 0 ||
            $body->indentEnd > 0;
    }

    /**
     * @param list<Node> $blocks  of a section; each is a place that can be gone to
     * @param string     $heading in markup; it goes with a table on a landscape page that stands right under it
     */
    public function of(array $blocks, string $section, string $heading = ''): string
    {
        $this->section = $section;
        $this->captions = 0;
        $this->contents = 0;
        $this->first = self::firstOf($blocks);
        $this->isHeadedSideways = '' !== $heading && self::isLandscape($this->first);
        $markup = $this->isHeadedSideways ? '' : $heading;
        foreach ($blocks as $index => $block) {
            // The spot stands in the paragraph, so that it adds none; before what is no paragraph it clings to it.
            $spot = sprintf('#spot("block", %s);', TypstValue::string($section . ':' . $index));
            $this->isUnderHeading = 0 === $index && '' !== $heading;
            $above = $blocks[$index - 1] ?? null;
            $this->isAfterOwn = null !== $above && (null !== $above->kind() || !$above->shape()->isEmpty());
            $this->isAfterFirst = 1 === $index && '' !== $heading && 'paragraph' === $above?->type;
            $set =
                'paragraph' === $block->type
                    ? $this->paragraph($block, $spot)
                    : '#block-spot[' . $spot . "]\n" . $this->block($block);
            $markup .=
                $block === $this->first && $this->isHeadedSideways
                    ? "#page(flipped: true)[\n" . $heading . $set . "]\n"
                    : $set;
        }

        return $markup;
    }

    protected function paragraph(Node $paragraph, string $spot = ''): string
    {
        $words = $this->inline->of($paragraph->content);
        if ('' === $words) {
            return '';
        }
        $isRightToLeft = Direction::isRightToLeft($paragraph->plainText());
        $isOwnWay =
            1 === preg_match('/\p{L}/u', $paragraph->plainText()) &&
            $isRightToLeft !== ('rtl' === Language::direction($this->rendition->titleBlock()->language));

        $inner = $isOwnWay
            ? sprintf('#other-way(%s)[%s%s]', $isRightToLeft ? 'rtl' : 'ltr', $spot, $words)
            : $spot . $words;

        return "\n" . $this->dressed($paragraph, $inner) . "\n\n";
    }

    /** Paragraphs of the text itself in the look of their kind; those of lists and quotations have that of these. */
    private function dressed(Node $paragraph, string $inner): string
    {
        $own = $paragraph->kind();
        $isUnderHeading = $this->isUnderHeading;
        $this->isUnderHeading = false;

        $shape = $paragraph->shape();

        return match (true) {
            !$shape->isEmpty() => sprintf(
                '#paragraph-of(%s)[%s]',
                StyleTypst::paragraph($shape->on($this->style->named($own ?? $this->kind($isUnderHeading)))),
                $inner,
            ),
            null !== $own => sprintf(
                '#of-kind(%s, %s)[%s]',
                TypstValue::string($own),
                // Within another block no page can be begun.
                TypstValue::of(0 === $this->depth),
                $inner,
            ),
            $this->depth > 0 => $inner,
            $isUnderHeading => '#first-paragraph[' . $inner . ']',
            $this->isBoxed => '#boxed-paragraph[' . $inner . ']',
            // To the engine what looks otherwise is no paragraph, after which none is indented.
            $this->isAfterOwn => '#indented-paragraph[' . $inner . ']',
            $this->isAfterFirst => '#second-paragraph[' . $inner . ']',
            default => $inner,
        };
    }

    private function kind(bool $isUnderHeading): string
    {
        return $isUnderHeading && 0 === $this->depth
            ? TextKind::FirstParagraph->value
            : $this->around->atDepth($this->lists);
    }

    /** @param list<Node> $blocks */
    private function within(array $blocks, TextKind $around): string
    {
        ++$this->depth;
        [$outer, $this->around] = [$this->around, $around];
        $markup = implode('', array_map($this->block(...), $blocks));
        $this->around = $outer;
        --$this->depth;

        return $markup;
    }

    protected function quotation(Node $quotation): string
    {
        if ($this->quotations >= self::DEEPEST_QUOTATION) {
            return self::FLATTENED . $this->within($quotation->content, TextKind::Quotation);
        }
        ++$this->quotations;
        // Within another block no page can be begun.
        $markup =
            (0 === $this->depth ? '#quotation(may-begin: true)[' : '#quotation[') .
            $this->within($quotation->content, TextKind::Quotation) .
            "]\n";
        --$this->quotations;

        return $markup;
    }

    protected function bulletList(Node $list): string
    {
        return $this->flattened($list) ?? sprintf("#bullets(%d, %s)\n", $this->lists + 1, $this->items($list));
    }

    protected function orderedList(Node $list): string
    {
        $pattern = match (ListStyle::of($list->attribute('style'))) {
            ListStyle::LowerLetter => 'a.',
            ListStyle::UpperLetter => 'A.',
            ListStyle::LowerRoman => 'i.',
            ListStyle::UpperRoman => 'I.',
            null => '1.',
        };

        return $this->flattened($list) ??
            sprintf(
                "#numbered(%d, %d, \"%s\", %s)\n",
                $this->lists + 1,
                self::start($list),
                $pattern,
                $this->items($list),
            );
    }

    private function items(Node $list): string
    {
        ++$this->lists;
        $items = implode(
            ', ',
            array_map(
                fn(Node $item): string => '[' . $this->within($item->content, TextKind::ListItem) . ']',
                $list->content,
            ),
        );
        --$this->lists;

        return $items;
    }

    /** The items of a list that lies too deep, one under the other; null for any other list. */
    private function flattened(Node $list): ?string
    {
        return $this->lists < self::DEEPEST_LIST
            ? null
            : self::FLATTENED .
                    implode(
                        '',
                        array_map(
                            fn(Node $item): string => $this->within($item->content, TextKind::ListItem),
                            $list->content,
                        ),
                    );
    }

    protected function code(Node $code): string
    {
        return '#code-block(' . TypstValue::string($code->plainText()) . ")\n";
    }

    protected function calculation(Node $calculation): string
    {
        $written = CalculationBlock::written(
            Rendition::expression($calculation),
            $this->rendition->findResult($calculation),
        );

        return '#code-block(' . TypstValue::string($written) . ")\n";
    }

    protected function unreadable(Node $unreadable): string
    {
        return '#code-block(' . TypstValue::string($unreadable->plainText()) . ")\n";
    }

    protected function figure(Node $figure): string
    {
        return sprintf(
            "#picture(%s, %s, %s, %s, %s, [%s])\n",
            $this->inline->pictureName($figure),
            TypstValue::of($figure->attribute('width')),
            TypstValue::of($figure->textAttribute('alt')),
            TypstValue::of(true === $figure->attribute('decorative')),
            sprintf('spot("caption", %s)', TypstValue::string($this->captionId())),
            $this->caption($figure, $figure->content),
        );
    }

    /** The place of a picture or a table, as lists of them lead to it. */
    private function captionId(): string
    {
        return $this->section . ':' . $this->captions++;
    }

    /** @param list<Node> $words */
    private function caption(Node $captioned, array $words): string
    {
        $lead = Rendition::captionLead($captioned);

        return ('' === $lead ? '' : '#caption-lead[' . TypstValue::words($lead) . '];') . $this->inline->of($words);
    }

    protected function table(Node $table): string
    {
        $rows = $table->content;
        $caption = array_shift($rows);
        $shape = TableShape::of($rows);
        $widths = new ColumnWords($this->inline);
        $heads = 0;
        $cells = '';
        foreach ($shape->rows as $y => $row) {
            $heads += $heads === $y && self::isHeader($row) ? 1 : 0;
            foreach ($row as ['cell' => $cell, 'column' => $column, 'columns' => $columns, 'begins' => $begins]) {
                if ($begins) {
                    $cells .= $this->cell($cell, $column, $y);
                    $widths->add($cell, $column, $columns);
                }
            }
        }

        $isLandscape = self::isLandscape($table);
        $hasPage = $table === $this->first && $this->isHeadedSideways;

        return sprintf(
            "%s#data-table(%d, %d, (%s), (%s), (%s), %s, %s, %s, [%s])\n",
            // Only what stands in the text itself can have a page of its own.
            $isLandscape && $this->depth > 0 ? '#block-spot(told("upright"));' . "\n" : '',
            $shape->columns,
            $heads,
            $cells,
            $widths->words(),
            $widths->fullest(),
            TypstValue::of($widths->firstCanBeRepeated()),
            TypstValue::string($this->captionId()),
            TypstValue::of($isLandscape && 0 === $this->depth && !$hasPage),
            null === $caption ? '' : $this->caption($table, $caption->content),
        );
    }

    /**
     * Whether a row stands above the others on each page: it is made of header cells, none of which reaches further down.
     *
     * @param list<array{cell: Node, column: int, columns: int, begins: bool}> $row
     */
    private static function isHeader(array $row): bool
    {
        foreach ($row as ['cell' => $cell, 'begins' => $begins]) {
            if (!$begins || true !== $cell->attribute('header') || null !== $cell->attribute('rows')) {
                return false;
            }
        }

        return [] !== $row;
    }

    private function cell(Node $cell, int $column, int $row): string
    {
        $align = $cell->textAttribute('align');

        return sprintf(
            '(x: %d, y: %d, columns: %s, rows: %s, header: %s, align: %s, body: [%s]), ',
            $column,
            $row,
            TypstValue::of($cell->attribute('columns') ?? 1),
            TypstValue::of($cell->attribute('rows') ?? 1),
            TypstValue::of(true === $cell->attribute('header')),
            in_array($align, ['left', 'center', 'right'], true) ? $align : 'start',
            $this->inline->of($cell->content),
        );
    }

    protected function formulaBlock(Node $formula): string
    {
        return MathTypst::equation($formula->textAttribute('source'), true) . "\n";
    }

    protected function separator(): string
    {
        return "#separator\n";
    }

    /** Within another block no page can be broken; the block is. */
    protected function pageBreak(): string
    {
        return 0 === $this->depth ? "#pagebreak(weak: true)\n" : "#colbreak(weak: true)\n";
    }

    protected function contents(Node $contents): string
    {
        $lines = '';
        $which = $this->section . ':' . $this->contents++;
        $settings = ContentsSettings::in($contents);
        foreach ($this->rendition->contentsLines($contents) as $line) {
            $lines .= sprintf(
                '(%s, spot-label("%s", %s), %d, "%s", [%s%s]), ',
                TypstValue::string($which . ':' . $line->key),
                $line->kind,
                TypstValue::string($line->id),
                $line->level,
                ($settings->looks[$line->level] ?? null)->value ?? '',
                '' === $line->number ? '' : TypstValue::words($line->number) . '#h(0.6em)',
                TypstValue::words($line->withoutNumber()),
            );
        }

        return sprintf(
            "#contents(%s, %s, (%s), %s, %s, %s, %s, %s, %s)\n",
            TypstValue::string($which),
            TypstValue::string($settings->title),
            $lines,
            TypstValue::string($settings->pages->value),
            TypstValue::of($settings->twoColumns),
            TypstValue::of($settings->isShaded),
            TypstValue::of($settings->onOwnPage && 0 === $this->depth),
            TypstValue::of($contents === $this->first),
            TypstValue::of(0 === $this->depth),
        );
    }

    /** @param list<Node> $blocks of a section, whose heading goes with contents that stand right under it */
    public static function beginsWithOwnPage(array $blocks): bool
    {
        $first = self::firstOf($blocks);

        return 'contents' === $first?->type && ContentsSettings::in($first)->onOwnPage;
    }

    private static function isLandscape(?Node $block): bool
    {
        return 'table' === $block?->type && true === $block->attribute('landscape');
    }

    /** @param list<Node> $blocks */
    private static function firstOf(array $blocks): ?Node
    {
        foreach ($blocks as $block) {
            if ('paragraph' !== $block->type || [] !== $block->content) {
                return $block;
            }
        }

        return null;
    }
}
