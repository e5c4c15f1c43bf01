<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Markdown;

use Stemmata\Core\Calculation\Effort;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Anchors;
use Stemmata\Format\Shared\CalculationBlock;
use Stemmata\Format\Shared\ContentsBlock;
use Stemmata\Format\Write\Html\BlockHtml;

/** Writes blocks as CommonMark with tables; what that cannot say, as HTML. */
final readonly class BlockMarkdown
{
    public function __construct(private InlineMarkdown $inline, private BlockHtml $html, private Anchors $anchors, private Effort $effort)
    {
    }

    /** @param list<Node> $blocks */
    public function of(array $blocks): string
    {
        $parts = [];
        foreach ($blocks as $index => $block) {
            $isSecondList = $index > 0 && str_ends_with($block->type, 'List') && str_ends_with($blocks[$index - 1]->type, 'List');
            $isAfterList = $index > 0 && str_ends_with($blocks[$index - 1]->type, 'List') && in_array($block->type, ['codeBlock', 'calculation'], true);
            // Two lists in a row would be read as one.
            $parts[] = ($isSecondList || $isAfterList ? "<!-- -->\n\n" : '').$this->block($block);
        }

        return implode("\n\n", $parts);
    }

    private function block(Node $block): string
    {
        return match ($block->type) {
            'paragraph' => $this->paragraph($block),
            'quotation' => self::indented($this->of($block->content), '> ', '> '),
            'bulletList' => $this->items($block, static fn (): string => '- '),
            'orderedList' => $this->items($block, static fn (int $index): string => (self::start($block) + $index).'. '),
            'codeBlock' => self::code($block->plainText(), $block->textAttribute('language')),
            'unreadable' => self::code($block->plainText(), ''),
            'calculation' => self::code(CalculationBlock::written($block, $this->effort), CalculationBlock::LANGUAGE),
            'figure' => [] === $block->content ? InlineMarkdown::image($block) : trim($this->html->of([$block])),
            'table' => PipeTable::isPossible($block) ? PipeTable::of($block, $this->inline) : trim($this->html->of([$block])),
            'separator' => '***',
            'pageBreak' => '<div class="page-break"></div>',
            'contents' => $this->contents($block),
            default => '',
        };
    }

    private function paragraph(Node $paragraph): string
    {
        return [] === $paragraph->content ? '<p></p>' : $this->inline->of($paragraph->content);
    }

    private static function start(Node $list): int
    {
        $start = $list->attribute('start');

        return is_int($start) ? $start : 1;
    }

    /** @param \Closure(int): string $sign */
    private function items(Node $list, \Closure $sign): string
    {
        $items = [];
        foreach ($list->content as $index => $item) {
            $lead = $sign($index);
            $isHollow = [] === $item->content[0]->content;
            $body = $isHollow && 1 === count($item->content) ? '' : $this->of($isHollow ? array_slice($item->content, 1) : $item->content);
            $items[] = '' === $body ? rtrim($lead) : self::indented($body, $lead, str_repeat(' ', strlen($lead)));
        }

        return implode("\n", $items);
    }

    private static function indented(string $text, string $first, string $others): string
    {
        $lines = [];
        foreach (explode("\n", $text) as $index => $line) {
            $lines[] = rtrim((0 === $index ? $first : $others).$line, ' ');
        }

        return implode("\n", $lines);
    }

    private static function code(string $text, string $language): string
    {
        // The name of a language that holds a backtick cannot stand behind a fence of them (CommonMark 4.5).
        $sign = str_contains($language, '`') ? '~' : '`';
        preg_match_all('/'.$sign.'{3,}/', $text, $runs);
        $fence = str_repeat($sign, max(3, 1 + max([0, ...array_map(strlen(...), $runs[0])])));

        return $fence.self::name($language)."\n".('' === $text ? '' : $text."\n").$fence;
    }

    /** One line, in which nothing means anything else. */
    private static function name(string $language): string
    {
        return (string) preg_replace('/([\\\\&])(?=[!-\/:-@[-`{-~#a-z])/i', '\\\\$1', trim((string) preg_replace('/\s+/u', ' ', $language)));
    }

    private function contents(Node $contents): string
    {
        $numbers = true === $contents->attribute('numbers');
        $from = null;
        $lines = [];
        foreach (ContentsBlock::lines($contents) as $line) {
            $from = min($from ?? 9, $line['level']);
            $words = $this->inline->of([Node::text(('' !== $line['number'] && $numbers ? $line['number'].' ' : '').$line['heading'])]);
            $lines[] = sprintf('- [%s](<#%s>)', $words, $this->anchors->find($line['section']) ?? $line['section']);
        }

        return ContentsBlock::openingTag($contents)."\n\n".implode("\n", $lines)."\n\n</nav>";
    }
}
