<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Markdown;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Rendition\BlockVisitor;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\CalculationBlock;
use Stemmata\Format\Write\Html\BlockHtml;
use Stemmata\Format\Write\Html\ContentsElement;

/** Writes blocks as CommonMark with tables; what that cannot say, as HTML. */
final class BlockMarkdown extends BlockVisitor
{
    public function __construct(
        private readonly InlineMarkdown $inline,
        private readonly BlockHtml $html,
        private readonly Rendition $rendition,
    ) {}

    /** @param list<Node> $blocks */
    public function of(array $blocks): string
    {
        $parts = [];
        foreach ($blocks as $index => $block) {
            $isSecondList =
                $index > 0 && str_ends_with($block->type, 'List') && str_ends_with($blocks[$index - 1]->type, 'List');
            $isAfterList =
                $index > 0 &&
                str_ends_with($blocks[$index - 1]->type, 'List') &&
                in_array($block->type, ['codeBlock', 'calculation'], true);
            // Two lists in a row would be read as one.
            $parts[] = ($isSecondList || $isAfterList ? "<!-- -->\n\n" : '') . $this->block($block);
        }

        return implode("\n\n", $parts);
    }

    protected function paragraph(Node $paragraph): string
    {
        $words = [] === $paragraph->content ? '<p></p>' : $this->inline->of($paragraph->content);
        $kind = $paragraph->kind();

        // What stands between the two tags is Markdown again (CommonMark 0.31.2, 4.6).
        return null === $kind
            ? $words
            : sprintf("<div class=\"%s%s\">\n\n%s\n\n</div>", KindName::PREFIX, $kind, $words);
    }

    protected function quotation(Node $quotation): string
    {
        return self::indented($this->of($quotation->content), '> ', '> ');
    }

    protected function bulletList(Node $list): string
    {
        return $this->items($list, static fn(): string => '- ');
    }

    protected function orderedList(Node $list): string
    {
        // CommonMark counts in decimal numbers only; and a blank line would end the HTML.
        return null === $list->attribute('style')
            ? $this->items($list, static fn(int $index): string => self::start($list) + $index . '. ')
            : trim(str_replace("\n\n", "\n&#10;", $this->html->of([$list])));
    }

    protected function code(Node $code): string
    {
        return self::fenced($code->plainText(), $code->textAttribute('language'));
    }

    protected function unreadable(Node $unreadable): string
    {
        return self::fenced($unreadable->plainText(), '');
    }

    protected function calculation(Node $calculation): string
    {
        return self::fenced(
            CalculationBlock::written(Rendition::expression($calculation), $this->rendition->findResult($calculation)),
            CalculationBlock::LANGUAGE,
        );
    }

    protected function figure(Node $figure): string
    {
        return [] === $figure->content ? $this->inline->image($figure) : trim($this->html->of([$figure]));
    }

    protected function table(Node $table): string
    {
        return PipeTable::isPossible($table) ? PipeTable::of($table, $this->inline) : trim($this->html->of([$table]));
    }

    protected function formulaBlock(Node $formula): string
    {
        $source = $formula->textAttribute('source');
        $isPlain = !Formula::isMathMl($source) && 1 !== preg_match('/\n\s*\n|\$|\A\s|\s\z|\A\z/', $source);

        return $isPlain ? "$$\n" . $source . "\n$$" : trim(str_replace("\n\n", "\n&#10;", $this->html->of([$formula])));
    }

    protected function separator(): string
    {
        return '***';
    }

    protected function pageBreak(): string
    {
        return '<div class="page-break"></div>';
    }

    /** @param \Closure(int): string $sign */
    private function items(Node $list, \Closure $sign): string
    {
        $items = [];
        foreach ($list->content as $index => $item) {
            $lead = $sign($index);
            $isHollow = [] === $item->content[0]->content;
            $body =
                $isHollow && 1 === count($item->content)
                    ? ''
                    : $this->of($isHollow ? array_slice($item->content, 1) : $item->content);
            $items[] = '' === $body ? rtrim($lead) : self::indented($body, $lead, str_repeat(' ', strlen($lead)));
        }

        return implode("\n", $items);
    }

    private static function indented(string $text, string $first, string $others): string
    {
        $lines = [];
        foreach (explode("\n", $text) as $index => $line) {
            $lines[] = rtrim((0 === $index ? $first : $others) . $line, ' ');
        }

        return implode("\n", $lines);
    }

    private static function fenced(string $text, string $language): string
    {
        // The name of a language that holds a backtick cannot stand behind a fence of them (CommonMark 4.5).
        $sign = str_contains($language, '`') ? '~' : '`';
        preg_match_all('/' . $sign . '{3,}/', $text, $runs);
        $fence = str_repeat($sign, max(3, 1 + max([0, ...array_map(strlen(...), $runs[0])])));

        return $fence . self::name($language) . "\n" . ('' === $text ? '' : $text . "\n") . $fence;
    }

    /** One line, in which nothing means anything else. */
    private static function name(string $language): string
    {
        return (string) preg_replace(
            '/([\\\\&])(?=[!-\/:-@[-`{-~#a-z])/i',
            '\\\\$1',
            trim((string) preg_replace('/\s+/u', ' ', $language)),
        );
    }

    protected function contents(Node $contents): string
    {
        $lines = [];
        foreach ($this->rendition->contentsLines($contents) as $line) {
            $lines[] = sprintf(
                '- [%s](<#%s>%s)',
                $this->inline->of([Node::text($line->words)]),
                $line->place,
                InlineMarkdown::title($line->byHand ?? ''),
            );
        }

        return ContentsElement::openingTag($contents, $this->rendition, true) .
            "\n\n" .
            implode("\n", $lines) .
            "\n\n</nav>";
    }
}
