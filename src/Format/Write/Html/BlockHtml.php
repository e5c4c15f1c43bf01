<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Html;

use Stemmata\Core\Calculation\Effort;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Anchors;
use Stemmata\Format\Shared\CalculationBlock;
use Stemmata\Format\Shared\ContentsBlock;

/** Writes blocks as HTML. */
final readonly class BlockHtml
{
    public function __construct(private InlineHtml $inline, private Anchors $anchors, private Effort $effort)
    {
    }

    /** @param list<Node> $blocks */
    public function of(array $blocks): string
    {
        return implode('', array_map($this->block(...), $blocks));
    }

    private function block(Node $block): string
    {
        return match ($block->type) {
            'paragraph' => '<p>'.$this->inline->of($block->content)."</p>\n",
            'quotation' => "<blockquote>\n".$this->of($block->content)."</blockquote>\n",
            'bulletList' => "<ul>\n".$this->of($block->content)."</ul>\n",
            'orderedList' => self::orderedTag($block)."\n".$this->of($block->content)."</ol>\n",
            'listItem' => '<li>'.$this->of($block->content)."</li>\n",
            'codeBlock' => $this->code($block),
            'calculation' => sprintf("<pre><code class=\"language-%s\">%s\n</code></pre>\n", CalculationBlock::LANGUAGE, InlineHtml::escaped(CalculationBlock::written($block, $this->effort))),
            'figure' => $this->figure($block),
            'table' => $this->table($block),
            'unreadable' => '<pre>'.InlineHtml::escaped($block->plainText())."\n</pre>\n",
            'separator' => "<hr>\n",
            'pageBreak' => "<div class=\"page-break\"></div>\n",
            'contents' => $this->contents($block),
            default => '',
        };
    }

    private static function orderedTag(Node $list): string
    {
        $start = $list->attribute('start');

        return is_int($start) && 1 !== $start ? sprintf('<ol start="%d">', $start) : '<ol>';
    }

    private function code(Node $block): string
    {
        $language = $block->textAttribute('language');
        $class = '' === $language ? '' : ' class="language-'.InlineHtml::escaped($language).'"';

        // A line end right after the tag is the markup's, so one of the code's own needs another before it.
        return "<pre><code{$class}>".InlineHtml::escaped($block->plainText())."\n</code></pre>\n";
    }

    private function figure(Node $figure): string
    {
        $caption = [] === $figure->content ? '' : '<figcaption>'.$this->inline->of($figure->content).'</figcaption>';

        return '<figure>'.$this->inline->image($figure).$caption."</figure>\n";
    }

    private function table(Node $table): string
    {
        $html = '';
        foreach ($table->content as $part) {
            if ('caption' === $part->type) {
                $html .= [] === $part->content ? '' : '<caption>'.$this->inline->of($part->content)."</caption>\n";
                continue;
            }
            $html .= '<tr>'.implode('', array_map($this->cell(...), $part->content))."</tr>\n";
        }

        return "<table>\n".$html."</table>\n";
    }

    private function cell(Node $cell): string
    {
        $tag = true === $cell->attribute('header') ? 'th' : 'td';
        $align = $cell->textAttribute('align');

        return sprintf('<%1$s%2$s>%3$s</%1$s>', $tag, '' === $align ? '' : ' style="text-align: '.$align.'"', $this->inline->of($cell->content));
    }

    private function contents(Node $contents): string
    {
        $numbers = true === $contents->attribute('numbers');
        $lines = '';
        foreach (ContentsBlock::lines($contents) as $line) {
            $words = InlineHtml::escaped(('' !== $line['number'] && $numbers ? $line['number'].' ' : '').$line['heading']);
            $lines .= sprintf("<li data-level=\"%d\"><a href=\"#%s\">%s</a></li>\n", $line['level'], InlineHtml::escaped($this->anchors->find($line['section']) ?? $line['section']), $words);
        }
        $title = $contents->textAttribute('title');

        return ContentsBlock::openingTag($contents)."\n".('' === $title ? '' : '<p><strong>'.InlineHtml::escaped($title)."</strong></p>\n")."<ul>\n".$lines."</ul>\n</nav>\n";
    }
}
