<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Link\KindName;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;

/**
 * A house style as rules for the text that is written in: the same looks as on pages, at the size and with the distance of
 * lines that the reader has chosen. Colours are lifted to be read where the ground is dark.
 */
final class ManuscriptCss
{
    /** What the reader sets aside by wanting letters of their own. */
    private const TEXT = '[data-letters="sheet"] .manuscript ';
    private const HEAD = '[data-letters="sheet"] .title-head ';
    /** So often it is named that no rule for a kind outweighs it. */
    private const LAST_WORD = 6;
    /** Lightness from which letters, and up to which a ground is read at night (OKLCH). */
    private const LEAST_LIGHT = 0.75;
    private const MOST_LIGHT = 0.3;

    public static function of(HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body);
        $first = $style->of(TextKind::FirstParagraph);
        $css = StyleCss::rule(trim(self::TEXT), [
            'font-family' => StyleCss::family($body->face),
            ...StyleCss::lettersOf($body),
            'color' => $body->colour ?? 'var(--ink)',
        ]);
        $css .= self::kind('.section-text>p', $body, $body);
        // As the first lines of printed paragraphs, a paragraph that follows no other is not indented.
        $css .=
            $body->firstLine === $first->firstLine
                ? ''
                : StyleCss::rule(self::TEXT . '.section-text>p:not(p+p)', ['text-indent' => '0']);
        if ($first != $body->with(firstLine: $first->firstLine)) {
            $css .= self::kind('.section-text>.heading+p', $first, $body);
        }
        foreach (range(1, 9) as $level) {
            $css .= self::kind(
                sprintf('.section-text[data-level="%d"]>.heading', $level),
                $style->of(TextKind::Heading, $level),
                $body,
            );
            $css .= self::kind(
                '.section-text>' . str_repeat(':is(ul,ol)>li>', $level) . 'p',
                $style->of(TextKind::ListItem, $level),
                $body,
            );
            $css .= self::kind(
                sprintf('[data-contents] li[data-level="%d"]', $level),
                $style->of(TextKind::ContentsLine, $level),
                $body,
                withSpace: false,
            );
        }
        foreach (
            [
                'blockquote' => TextKind::Quotation,
                'figcaption' => TextKind::Caption,
                '.caption td' => TextKind::Caption,
                'pre:not(.calculation)' => TextKind::Code,
                '.formula-block' => TextKind::Formula,
            ]
            as $selector => $kind
        ) {
            $css .= self::kind($selector, $style->of($kind), $body);
        }
        $css .= StyleCss::rule(self::TEXT . '.heading::before', ['color' => 'inherit', 'font-weight' => 'inherit']);
        $css .= StyleCss::rule(self::TEXT . 'blockquote p', ['text-align' => 'inherit', 'text-indent' => '0']);
        foreach (
            [
                'tr:not(.caption)>td' => TextKind::TableCell,
                'tr>th' => TextKind::TableHead,
                '.apparatus' => TextKind::Footnote,
            ]
            as $selector => $kind
        ) {
            $css .= self::kind($selector, $style->of($kind), $body, withSpace: false);
        }
        foreach ($style->own as $name => $look) {
            // Also where it stands right under a heading.
            $css .= self::kind(sprintf('.section-text p.%1$s.%1$s', KindName::PREFIX . $name), $look, $body);
        }
        foreach ($style->words as $name => $look) {
            $css .= StyleCss::rule(self::TEXT . 'span.' . KindName::PREFIX . $name, StyleCss::ofWords($look));
            $css .= self::atNight(
                self::TEXT . 'span.' . KindName::PREFIX . $name,
                $look->find(StyleProperty::Colour),
                $look->find(StyleProperty::Ground),
            );
        }
        // What a writer has set back, or is at, is shown as that, whatever its kind.
        $css = '@layer components{' . $css . '}';
        $css .= self::kind(
            '[data-contents] [data-part="contents-title"]',
            $style->of(TextKind::ContentsTitle),
            $body,
            withSpace: false,
        );
        foreach (
            ['title' => TextKind::Title, 'subtitle' => TextKind::Subtitle, 'line' => TextKind::TitleLine]
            as $part => $kind
        ) {
            $css .= self::rules(self::HEAD . '[data-part="' . $part . '"]', $style->of($kind), $body, false);
        }

        return $css;
    }

    /** What is said by hand, at the size that the reader has chosen; it is the last word on what it is said of. */
    public static function byHand(Shape $shape, bool $ofWords, HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body);
        $selector =
            self::TEXT .
            str_repeat(
                sprintf('[data-%s="%s"]', $ofWords ? 'word-shape' : 'shape', $shape->written()),
                self::LAST_WORD,
            );
        $length = static fn(float $points): string => sprintf(
            'calc(var(--text-size)*%s)',
            StyleCss::number($points / $body->size),
        );
        $leading = static fn(float $factor): string => sprintf(
            'calc(var(--text-leading)*%s)',
            StyleCss::number($factor / $body->lineHeight),
        );
        $declarations = $ofWords
            ? StyleCss::ofSaid($shape->said, $length)
            : StyleCss::ofPlace($shape->said, $length, $leading);
        unset($declarations['break-after'], $declarations['break-inside']);
        $said = $shape->said;
        if ('ink' === ($said['colour'] ?? '')) {
            $declarations['color'] = 'var(--ink)';
        }

        return '@layer components{' .
            StyleCss::rule($selector, $declarations) .
            self::atNight($selector, $said['colour'] ?? null, $said['ground'] ?? null) .
            '}';
    }

    private static function kind(string $selector, TextStyle $style, TextStyle $body, bool $withSpace = true): string
    {
        return self::rules(self::TEXT . $selector, $style, $body, $withSpace);
    }

    private static function rules(string $selector, TextStyle $style, TextStyle $body, bool $withSpace): string
    {
        $declarations = [
            ...StyleCss::whole($style, $body),
            'font-family' => StyleCss::family($style->face),
            'font-weight' => (string) $style->weight,
            'font-style' => $style->italic ? 'italic' : 'normal',
            'font-size' => sprintf('calc(var(--text-size)*%s)', StyleCss::number($style->size / $body->size)),
            'line-height' => sprintf(
                'calc(var(--text-leading)*%s)',
                StyleCss::number($style->lineHeight / $body->lineHeight),
            ),
            'letter-spacing' => StyleCss::em($style->letterSpacing, $style->size),
            // The colour of the page is the reader’s, by day and at night.
            'color' => $style->colour ?? 'var(--ink)',
        ];
        unset($declarations['margin'], $declarations['break-before'], $declarations['break-after']);
        if ($withSpace) {
            $declarations['margin-block'] =
                StyleCss::em($style->spaceBefore, $style->size) . ' ' . StyleCss::em($style->spaceAfter, $style->size);
        }
        // What the cursor is in is lit a little wider than its lines, where nothing is said of that.
        if ($style->indentStart > 0 || $style->indentEnd > 0) {
            $declarations['margin-inline'] =
                StyleCss::em($style->indentStart, $style->size) . ' ' . StyleCss::em($style->indentEnd, $style->size);
        }
        if ('0 0 0 0' === $declarations['padding']) {
            unset($declarations['padding']);
        }
        if (null === $style->ground) {
            unset($declarations['background-color']);
        }

        return StyleCss::rule($selector, $declarations) . self::atNight($selector, $style->colour, $style->ground);
    }

    /** On a dark ground letters are lighter and what stands behind them darker, each of its own colour. */
    private static function atNight(string $selector, ?string $colour, ?string $ground): string
    {
        $declarations = [];
        if (null !== $colour && str_starts_with($colour, '#')) {
            $declarations['color'] = sprintf('oklch(from %s max(l,%s) c h)', $colour, self::LEAST_LIGHT);
        }
        if (null !== $ground && str_starts_with($ground, '#')) {
            $declarations['background-color'] = sprintf('oklch(from %s min(l,%s) c h)', $ground, self::MOST_LIGHT);
        }

        return StyleCss::rule('[data-theme="night"]' . $selector, $declarations);
    }
}
