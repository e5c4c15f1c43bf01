<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Html;

use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Rendition\BlockVisitor;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\ListStyle;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\CalculationBlock;
use Stemmata\Format\Shared\FormulaMarkup;

/** Writes blocks as HTML. */
final class BlockHtml extends BlockVisitor
{
    public function __construct(private readonly InlineHtml $inline, private readonly Rendition $rendition) {}

    /** @param list<Node> $blocks */
    public function of(array $blocks): string
    {
        return implode('', array_map($this->block(...), $blocks));
    }

    protected function paragraph(Node $paragraph): string
    {
        $kind = $paragraph->kind();

        return '<p' .
            (null === $kind ? '' : ' class="' . KindName::PREFIX . $kind . '"') .
            $this->inline->byHand($paragraph->shape()) .
            '>' .
            $this->inline->of($paragraph->content) .
            "</p>\n";
    }

    protected function quotation(Node $quotation): string
    {
        return "<blockquote>\n" . $this->of($quotation->content) . "</blockquote>\n";
    }

    protected function bulletList(Node $list): string
    {
        return "<ul>\n" . $this->items($list) . "</ul>\n";
    }

    protected function orderedList(Node $list): string
    {
        $start = self::start($list);

        $style = ListStyle::of($list->attribute('style'));

        return sprintf(
            "<ol%s%s>\n%s</ol>\n",
            null === $style ? '' : ' type="' . $style->htmlType() . '"',
            1 === $start ? '' : ' start="' . $start . '"',
            $this->items($list),
        );
    }

    private function items(Node $list): string
    {
        return implode(
            '',
            array_map(fn(Node $item): string => '<li>' . $this->of($item->content) . "</li>\n", $list->content),
        );
    }

    protected function calculation(Node $calculation): string
    {
        $written = CalculationBlock::written(
            Rendition::expression($calculation),
            $this->rendition->findResult($calculation),
        );

        return sprintf(
            "<pre><code class=\"language-%s\">%s\n</code></pre>\n",
            CalculationBlock::LANGUAGE,
            InlineHtml::escaped($written),
        );
    }

    protected function formulaBlock(Node $formula): string
    {
        return '<div class="math display">' .
            FormulaMarkup::written($formula->textAttribute('source'), true) .
            "</div>\n";
    }

    protected function separator(): string
    {
        return "<hr>\n";
    }

    protected function pageBreak(): string
    {
        return "<div class=\"page-break\"></div>\n";
    }

    protected function unreadable(Node $unreadable): string
    {
        return '<pre>' . InlineHtml::escaped($unreadable->plainText()) . "\n</pre>\n";
    }

    protected function code(Node $block): string
    {
        $language = $block->textAttribute('language');
        $class = '' === $language ? '' : ' class="language-' . InlineHtml::escaped($language) . '"';

        // A line end right after the tag is the markup's, so one of the code's own needs another before it.
        return "<pre><code{$class}>" . InlineHtml::escaped($block->plainText()) . "\n</code></pre>\n";
    }

    protected function figure(Node $figure): string
    {
        $caption =
            [] === $figure->content
                ? ''
                : '<figcaption>' . self::lead($figure) . $this->inline->of($figure->content) . '</figcaption>';

        return '<figure>' . $this->inline->image($figure) . $caption . "</figure>\n";
    }

    protected function table(Node $table): string
    {
        $html = '';
        foreach ($table->content as $part) {
            if ('caption' === $part->type) {
                $html .=
                    [] === $part->content
                        ? ''
                        : '<caption>' . self::lead($table) . $this->inline->of($part->content) . "</caption>\n";
                continue;
            }
            $html .= '<tr>' . implode('', array_map($this->cell(...), $part->content)) . "</tr>\n";
        }

        // A named page of CSS Paged Media Module Level 3, 6.1.
        $page = true === $table->attribute('landscape') ? ' style="page: landscape"' : '';

        return '<table' . $page . ">\n" . $html . "</table>\n";
    }

    /** The number of a caption is computed; a reader of ours computes it again. */
    private static function lead(Node $captioned): string
    {
        $lead = Rendition::captionLead($captioned);

        return '' === $lead ? '' : '<span class="caption-number">' . InlineHtml::escaped($lead) . '</span>';
    }

    private function cell(Node $cell): string
    {
        $tag = true === $cell->attribute('header') ? 'th' : 'td';
        $align = $cell->textAttribute('align');

        return sprintf(
            '<%1$s%2$s%3$s>%4$s</%1$s>',
            $tag,
            self::span($cell, 'columns', 'colspan') . self::span($cell, 'rows', 'rowspan'),
            '' === $align ? '' : ' style="text-align: ' . $align . '"',
            $this->inline->of($cell->content),
        );
    }

    private static function span(Node $cell, string $attribute, string $name): string
    {
        $span = $cell->attribute($attribute);

        return is_int($span) ? sprintf(' %s="%d"', $name, $span) : '';
    }

    protected function contents(Node $contents): string
    {
        $lines = '';
        $looks = ContentsSettings::in($contents)->looks;
        foreach ($this->rendition->contentsLines($contents) as $line) {
            $lines .= sprintf(
                "<li data-level=\"%d\"%s><a href=\"#%s\"%s>%s</a></li>\n",
                $line->level,
                isset($looks[$line->level]) ? ' style="' . $looks[$line->level]->css() . '"' : '',
                InlineHtml::escaped($line->place),
                null === $line->byHand ? '' : ' title="' . InlineHtml::escaped($line->byHand) . '"',
                InlineHtml::escaped($line->words),
            );
        }
        $title = $contents->textAttribute('title');

        return ContentsElement::openingTag($contents, $this->rendition) .
            "\n" .
            ('' === $title ? '' : '<p><strong>' . InlineHtml::escaped($title) . "</strong></p>\n") .
            "<ul>\n" .
            $lines .
            "</ul>\n</nav>\n";
    }
}
