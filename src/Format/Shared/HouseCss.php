<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;

/** A house style as rules of CSS. Lengths are multiples of the size of the text, which a reader’s browser may set. */
final readonly class HouseCss
{
    /** @var array<string, array{TextKind, int}> what each kind of text is in a web page */
    private const SELECTORS = [
        'blockquote' => [TextKind::Quotation, 1],
        'h1' => [TextKind::Heading, 1],
        'h2' => [TextKind::Heading, 2],
        'h3' => [TextKind::Heading, 3],
        'h4' => [TextKind::Heading, 4],
        'h5' => [TextKind::Heading, 5],
        'h6' => [TextKind::Heading, 6],
        '[role=heading]' => [TextKind::Heading, 7],
        'caption,figcaption' => [TextKind::Caption, 1],
        'table' => [TextKind::TableCell, 1],
        'pre' => [TextKind::Code, 1],
        '[role=doc-endnotes]' => [TextKind::Footnote, 1],
    ];

    /** The size of the text of a web page, as a multiple of what the reader's browser has. */
    private const TEXT_SIZE = 1.05;
    private const AFTER_HEADING = 'main>:is(h1,h2,h3,h4,h5,h6,[role=heading])+p';

    public static function of(HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body);
        $css =
            sprintf(
                'body{font-family:%s;line-height:%s}',
                StyleCss::family($body->face),
                StyleCss::number($body->lineHeight),
            ) . self::paragraphs($style);
        foreach (self::SELECTORS as $selector => [$kind, $level]) {
            $css .= self::rule($selector, $style->of($kind, $level), $body, $style->isChanged);
        }

        return $css . ($style->isChanged ? self::more($style) : '');
    }

    /** What is said by hand of one paragraph or heading, as its attribute `style`; empty when nothing is. */
    public static function byHand(Shape $shape, HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body)->size;
        // With a sheet of the writer’s own the text has its size in points; without one, the one that the reader has.
        $length = static fn(float $points): string => match (true) {
            0.0 === $points => '0',
            $style->isChanged => StyleCss::number($points) . 'pt',
            default => StyleCss::number((self::TEXT_SIZE * $points) / $body) . 'rem',
        };

        return StyleCss::declared(StyleCss::ofPlace($shape->said, $length));
    }

    private static function paragraphs(HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body);
        $isAll = $style->of(TextKind::FirstParagraph)->firstLine === $body->firstLine;
        $indented = $body->firstLine > 0 ? 'text-indent:' . StyleCss::em($body->firstLine, $body->size) : '';

        return sprintf(
            'main>p{margin:0 0 %s;text-align:%s}',
            StyleCss::em($body->spaceAfter, $body->size),
            StyleCss::alignment($body->alignment),
        ) . ('' === $indented ? '' : sprintf('%s{%s}', $isAll ? 'main>p' : 'main>p+p', $indented));
    }

    private static function rule(string $selector, TextStyle $style, TextStyle $body, bool $isChanged): string
    {
        return StyleCss::rule($selector, [
            ...array_filter([
                'font-family' => $style->face === $body->face ? '' : StyleCss::family($style->face),
                'font-size' =>
                    !$isChanged && $style->size === $body->size ? '' : StyleCss::em($style->size, $body->size),
                'line-height' => $style->lineHeight === $body->lineHeight ? '' : StyleCss::number($style->lineHeight),
                'font-weight' => (string) $style->weight,
                'font-style' => $style->italic ? 'italic' : 'normal',
                'text-align' => StyleCss::alignment($style->alignment),
                'margin' => StyleCss::margins($style),
            ]),
            ...$isChanged ? StyleCss::beyond($style) : [],
        ]);
    }

    /** @return array<string, string> */
    private static function ofCells(TextStyle $style, TextStyle $table): array
    {
        return [
            ...StyleCss::letters($style, $table),
            'line-height' => StyleCss::number($style->lineHeight),
            'background-color' => $style->ground ?? 'transparent',
            'hyphens' => $style->hyphenates() ? 'auto' : 'manual',
        ];
    }

    /** What a style sheet of the writer’s own says beyond what every web page of ours says. */
    private static function more(HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body);
        $usual = HouseStyles::find($style->name);
        $isResized = null !== $usual && $usual->of(TextKind::Body)->size !== $body->size;
        foreach ($style->looks as $name => $look) {
            $isResized = $isResized || $usual?->looks[$name]->size !== $look->size;
        }
        $css = StyleCss::rule('body', [
            ...$isResized ? ['font-size' => StyleCss::number($body->size) . 'pt'] : [],
            ...StyleCss::lettersOf($body),
        ]);
        $css .= StyleCss::rule('main>p', StyleCss::whole($body, $body));
        $first = $style->of(TextKind::FirstParagraph);
        $css .= $first->firstLine === $body->firstLine ? '' : 'main>p:not(p+p){text-indent:0}';
        $css .= StyleCss::rule(self::AFTER_HEADING, StyleCss::whole($first, $body));
        foreach ([8, 9] as $level) {
            $css .= StyleCss::rule(
                sprintf('[role=heading][aria-level="%d"]', $level),
                StyleCss::whole($style->of(TextKind::Heading, $level), $body),
            );
        }
        $around = $body;
        foreach (range(1, 9) as $level) {
            $item = $style->of(TextKind::ListItem, $level);
            $css .= StyleCss::rule(trim(str_repeat('li ', $level)), StyleCss::whole($item, $around));
            $around = $item;
            $css .= StyleCss::rule(
                sprintf('.contents [data-level="%d"]', $level),
                StyleCss::whole($style->of(TextKind::ContentsLine, $level), $body),
            );
        }
        $cell = $style->of(TextKind::TableCell);
        $css .= StyleCss::rule('td', self::ofCells($cell, $cell));
        $css .= StyleCss::rule('th', [...self::ofCells($style->of(TextKind::TableHead), $cell)]);
        $css .=
            '.contents>p>strong{font:inherit}' .
            StyleCss::rule('.contents>p', StyleCss::whole($style->of(TextKind::ContentsTitle), $body));
        $css .= StyleCss::rule('.math.display', StyleCss::whole($style->of(TextKind::Formula), $body));
        foreach ($style->own as $name => $look) {
            $css .= StyleCss::rule(sprintf('main p.kind-%s', $name), StyleCss::whole($look, $body));
        }
        foreach ($style->words as $name => $look) {
            $css .= StyleCss::rule(sprintf('span.kind-%s', $name), StyleCss::ofWords($look));
        }

        return $css;
    }
}
