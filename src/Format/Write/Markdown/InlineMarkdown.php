<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Markdown;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Rendition\InlineVisitor;
use Stemmata\Core\Rendition\Places;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\FormulaMarkup;
use Stemmata\Format\Write\Html\InlineHtml;

/**
 * Writes running text as CommonMark. Where its marks could be misread, as in the middle of a word, the HTML element
 * that
 * CommonMark allows stands instead.
 */
final class InlineMarkdown extends InlineVisitor
{
    private const TAGS = [
        'emphasis' => 'em',
        'strong' => 'strong',
        'code' => 'code',
        'struck' => 's',
        'superscript' => 'sup',
        'subscript' => 'sub',
    ];
    private const SIGNS = ['emphasis' => '*', 'strong' => '**'];

    /** @var list<string> */
    private array $notes = [];

    private readonly Places $places;

    public function __construct(private readonly Rendition $rendition)
    {
        $this->places = $rendition->places;
    }

    /** @param list<Node> $inline a paragraph's or a heading's whole content */
    public function of(array $inline): string
    {
        return self::guardedLine($this->grouped($inline, 0, ''));
    }

    /** The notes met so far, as definitions; empty when there are none. */
    public function notes(): string
    {
        $definitions = '';
        foreach ($this->notes as $index => $note) {
            $definitions .= sprintf("[^%d]: %s\n\n", $index + 1, '' === $note ? '&#32;' : $note);
        }

        return $definitions;
    }

    /** @param list<Node> $nodes */
    private function grouped(array $nodes, int $depth, string $before): string
    {
        $text = '';
        foreach (self::groups($nodes, $depth) as $end => [$mark, $group]) {
            if (null === $mark) {
                // A digit after the sign would make it one of money.
                $isAmount =
                    'formula' === $group[0]->type &&
                    1 === preg_match('/\A\d/', ($nodes[$end] ?? null)?->plainText() ?? '');
                $text .= $isAmount ? self::formulaMarkup($group[0]) : $this->part($group[0]);
                continue;
            }
            $after = isset($nodes[$end]) ? $nodes[$end]->plainText() . 'x' : '';
            $text .= $this->marked($mark, $group, $depth + 1, '' === $text ? $before : $text, $after);
        }

        return $text;
    }

    /** @param list<Node> $nodes */
    private function marked(Mark $mark, array $nodes, int $depth, string $before, string $after): string
    {
        if ('code' === $mark->type) {
            return self::code(Node::plainTextOf($nodes)) ?? '<code>' . $this->grouped($nodes, $depth, '>') . '</code>';
        }
        if ('link' === $mark->type && !$this->places->leadsSomewhere((string) $mark->attribute('href'))) {
            return $this->grouped($nodes, $depth, $before);
        }
        if ('link' === $mark->type) {
            return $this->link($mark, $this->grouped($nodes, $depth, '['));
        }
        if ('shape' === $mark->type) {
            return $this->grouped($nodes, $depth, $before);
        }
        if ('kind' === $mark->type) {
            return sprintf(
                '<span class="%s%s">%s</span>',
                KindName::PREFIX,
                (string) $mark->attribute('name'),
                $this->grouped($nodes, $depth, '>'),
            );
        }
        $sign = self::SIGNS[$mark->type] ?? null;
        $inner = $this->grouped($nodes, $depth, $sign ?? '>');
        if (null !== $sign && self::canStandBeside($before, $inner, $after)) {
            return $sign . $inner . $sign;
        }

        return sprintf('<%1$s>%2$s</%1$s>', self::TAGS[$mark->type], $inner);
    }

    /** The flanking rules of CommonMark 0.31.2, section 6.2, in their safe part: blanks outside, words inside. */
    private static function canStandBeside(string $before, string $inner, string $after): bool
    {
        return 1 === preg_match('/(?:\A|[\s(“‘—])\z/u', $before) &&
            1 === preg_match('/\A[\p{L}\p{N}](?:.*[\p{L}\p{N}.,;:!?’”])?\z/us', $inner) &&
            1 === preg_match('/\A(?:\z|[\s.,;:!?)”’—])/u', $after);
    }

    private static function code(string $text): ?string
    {
        return '' === $text || str_contains($text, '`') || str_contains($text, "\n") || $text !== trim($text)
            ? null
            : '`' . $text . '`';
    }

    private function link(Mark $mark, string $words): string
    {
        $address = strtr($this->places->address((string) $mark->attribute('href')), [
            '<' => '%3C',
            '>' => '%3E',
            '\\' => '%5C',
            ' ' => '%20',
            '&' => '&amp;',
            '|' => '%7C',
            '`' => '%60',
            '*' => '%2A',
        ]);
        $hint = $mark->attribute('title');

        return sprintf('[%s](<%s>%s)', $words, $address, self::title(is_string($hint) ? $hint : ''));
    }

    /** What stands behind an address (CommonMark 6.3); empty for no hint. */
    public static function title(string $hint): string
    {
        return '' === $hint
            ? ''
            : ' "' .
                    strtr($hint, [
                        '\\' => '\\\\',
                        '"' => '\\"',
                        '&' => '&amp;',
                        "\n" => ' ',
                        '|' => '&#124;',
                        '`' => '&#96;',
                        '<' => '&lt;',
                    ]) .
                    '"';
    }

    protected function text(Node $text): string
    {
        return self::escaped($text->text);
    }

    protected function hardBreak(): string
    {
        return "\\\n";
    }

    protected function bookmark(Node $bookmark): string
    {
        return sprintf('<a id="%s"></a>', $bookmark->textAttribute('name'));
    }

    protected function bookmarkEnd(Node $end): string
    {
        $name = $this->rendition->places->names()[$end->textAttribute('id')] ?? null;

        return null === $name ? '' : sprintf('<a class="bookmark-end" data-of="%s"></a>', $name);
    }

    /** CommonMark has no sign for it; its HTML is allowed to stand in a line. */
    public function crossReference(Node $reference): string
    {
        return (new InlineHtml($this->rendition))->crossReference($reference);
    }

    public function image(Node $image): string
    {
        return sprintf(
            '<img src="%s" alt="%s"%s%s>',
            InlineHtml::escaped($this->rendition->pictureAddress($image->textAttribute('src'))),
            InlineHtml::escaped(strtr($image->textAttribute('alt'), "\n", ' ')),
            true === $image->attribute('decorative') ? ' role="presentation"' : '',
            is_int($width = $image->attribute('width')) ? ' style="width: ' . $width . '%"' : '',
        );
    }

    /** TeX between dollars, as several programs read it; whatever could be misread there stands as HTML. */
    protected function formula(Node $formula): string
    {
        $source = $formula->textAttribute('source');
        $isPlain =
            !Formula::isMathMl($source) &&
            1 === preg_match('/\A(?![\s$])(?:[^$\\\\\n|]|\\\\[^\n|])+(?<![\s\\\\])\z/u', $source);

        return $isPlain ? '$' . $source . '$' : self::formulaMarkup($formula);
    }

    private static function formulaMarkup(Node $formula): string
    {
        return (string) preg_replace_callback(
            '/>([^<]+)</',
            static fn(array $match): string => '>' .
                (string) preg_replace('/[\\\\`*_\[\]|~$\n]/', '\\\\$0', $match[1]) .
                '<',
            FormulaMarkup::written($formula->textAttribute('source'), false),
        );
    }

    protected function footnote(Node $note): string
    {
        // A note holds text only, so it cannot hold another note.
        $this->notes[] = $this->of($note->content);
        $number = count($this->notes);

        return '[^' . $number . ']';
    }

    private static function escaped(string $text): string
    {
        $escaped = (string) preg_replace('/[\\\\`*_\[\]<>|~]|\$(?=\S)/', '\\\\$0', strtr($text, ["\n" => ' ']));

        return strtr($escaped, ['&' => '&amp;', "\t" => '&#9;', "\u{00A0}" => '&nbsp;']);
    }

    /** Signs that mean something at the head of a line only, and blanks that a reader would drop at its ends. */
    private static function guardedLine(string $text): string
    {
        $lines = [];
        foreach (explode("\n", $text) as $line) {
            $line = (string) preg_replace('/\A(#{1,6}|[-+=:])(?=\s|\z|[-+=#])|\A([-+=:]+)/', '\\\\$0', $line);
            $line = (string) preg_replace('/\A(\d{1,9})([.)])(?=\s|\z)/', '$1\\\\$2', $line);
            $lines[] = (string) preg_replace('/\A /', '&#32;', $line);
        }

        return (string) preg_replace(['/ \z/', '/#\z/'], ['&#32;', '\\\\#'], implode("\n", $lines));
    }
}
