<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Style\Alignment;
use Stemmata\Core\Style\Capitals;
use Stemmata\Core\Style\Figures;
use Stemmata\Core\Style\Rule;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Core\Style\Typeface;
use Stemmata\Core\Style\WordLook;

/**
 * Looks as declarations of CSS (CSS Fonts 4, Text 3, Text Decoration 3, Backgrounds 3, Fragmentation 3). Lengths are
 * multiples of the size of the letters that they belong to.
 */
final class StyleCss
{
    private const BLACK = '#22302b';

    /** @param array<string, string> $declarations */
    public static function declared(array $declarations): string
    {
        $written = '';
        foreach ($declarations as $name => $value) {
            $written .= ('' === $written ? '' : ';') . $name . ':' . $value;
        }

        return $written;
    }

    /** @param array<string, string> $declarations */
    public static function rule(string $selector, array $declarations): string
    {
        $written = self::declared($declarations);

        return '' === $written ? '' : $selector . '{' . $written . '}';
    }

    /**
     * All of a look, as far as it is not what the text around it has.
     *
     * @return array<string, string>
     */
    public static function whole(TextStyle $style, TextStyle $around): array
    {
        return [
            ...self::letters($style, $around),
            'line-height' => $style->isExact
                ? self::em($style->pitch(), $style->size)
                : self::number($style->lineHeight),
            'text-align' => self::alignment($style->alignment),
            'margin' => self::margins($style),
            ...self::box($style),
        ];
    }

    /**
     * Of letters: all that is said of them, so that nothing is taken from what they happen to stand in.
     *
     * @return array<string, string>
     */
    public static function letters(TextStyle $style, TextStyle $around): array
    {
        return [
            'font-family' => self::family($style->face),
            'font-size' => self::em($style->size, $around->size),
            ...self::lettersOf($style),
        ];
    }

    /**
     * Of letters, what does not depend on those around.
     *
     * @return array<string, string>
     */
    public static function lettersOf(TextStyle $style): array
    {
        return [
            'font-weight' => (string) $style->weight,
            'font-style' => $style->italic ? 'italic' : 'normal',
            ...self::lettersBeyond($style),
        ];
    }

    /**
     * What is beyond face, size, weight, slant, alignment and margins.
     *
     * @return array<string, string>
     */
    public static function beyond(TextStyle $style): array
    {
        return [...self::lettersBeyond($style), ...self::box($style)];
    }

    /** @return array<string, string> */
    private static function lettersBeyond(TextStyle $style): array
    {
        return [
            'color' => $style->colour ?? self::BLACK,
            ...self::capitals($style->capitals),
            'letter-spacing' => self::em($style->letterSpacing, $style->size),
            'text-decoration' => $style->underline ? 'underline' : 'none',
            'font-variant-numeric' => self::figures($style->figures),
        ];
    }

    /** @return array<string, string> what belongs to the block: its ground, rules, indents, and how it is broken */
    private static function box(TextStyle $style): array
    {
        $padding = self::padding($style);

        return [
            'background-color' => $style->ground ?? 'transparent',
            'border' => self::line($style->frame),
            'border-top' => self::line($style->ruleAbove ?? $style->frame),
            'border-bottom' => self::line($style->ruleBelow ?? $style->frame),
            'padding' => $padding,
            'text-indent' => self::em($style->firstLine, $style->size),
            'break-after' => $style->keepWithNext ? 'avoid' : 'auto',
            'break-inside' => $style->keepTogether ? 'avoid' : 'auto',
            'break-before' => $style->newPage ? 'page' : 'auto',
            'hyphens' => $style->hyphenates() ? 'auto' : 'manual',
        ];
    }

    private static function padding(TextStyle $style): string
    {
        $isFilled = null !== $style->ground || null !== $style->frame;
        $isRuled = null !== $style->ruleAbove || null !== $style->ruleBelow;
        $wide = $isFilled ? TextStyle::PADDING : 0.0;
        $high = $isFilled || $isRuled ? TextStyle::PADDING / 2 : 0.0;
        $em = static fn(float $points): string => self::em($points, $style->size);

        return sprintf('%s %s %s %s', $em($high), $em($wide), $em($high), $em($wide + max(0.0, -$style->firstLine)));
    }

    /**
     * What is said of words, which have the rest from the text they stand in.
     *
     * @return array<string, string>
     */
    public static function ofWords(WordLook $look): array
    {
        return self::ofSaid($look->said, static fn(float $points): string => self::number($points) . 'pt');
    }

    /**
     * What is said, and nothing else.
     *
     * @param array<string, string>   $said    by property, each in its normal form
     * @param \Closure(float): string $length  points as a length
     * @param \Closure(float): string $leading a factor from line to line as a line height; null for the factor itself
     *
     * @return array<string, string>
     */
    public static function ofSaid(array $said, \Closure $length, ?\Closure $leading = null): array
    {
        $leading ??= self::number(...);
        $css = [];
        foreach ($said as $name => $value) {
            $property = StyleProperty::from($name);
            $points = (float) $value;
            $css = [
                ...$css,
                ...match ($property) {
                    StyleProperty::Face => ['font-family' => self::family(Typeface::from($value))],
                    StyleProperty::Size => [
                        'font-size' => str_ends_with($value, '%')
                            ? self::number($points / 100) . 'em'
                            : $length($points),
                    ],
                    StyleProperty::Weight => ['font-weight' => $value],
                    StyleProperty::Slant => ['font-style' => 'italic' === $value ? 'italic' : 'normal'],
                    StyleProperty::Capitals => self::capitals(Capitals::from($value)),
                    StyleProperty::LetterSpacing => ['letter-spacing' => $length($points)],
                    StyleProperty::Colour => ['color' => 'ink' === $value ? self::BLACK : $value],
                    StyleProperty::Ground => ['background-color' => 'none' === $value ? 'transparent' : $value],
                    StyleProperty::Underline => ['text-decoration' => 'yes' === $value ? 'underline' : 'none'],
                    StyleProperty::Figures => ['font-variant-numeric' => self::figures(Figures::from($value))],
                    StyleProperty::Alignment => ['text-align' => self::alignment(Alignment::from($value))],
                    StyleProperty::LineHeight => [
                        'line-height' => str_ends_with($value, 'pt') ? $length($points) : $leading($points),
                    ],
                    StyleProperty::SpaceBefore => ['margin-block-start' => $length($points)],
                    StyleProperty::SpaceAfter => ['margin-block-end' => $length($points)],
                    StyleProperty::IndentStart => ['margin-inline-start' => $length($points)],
                    StyleProperty::IndentEnd => ['margin-inline-end' => $length($points)],
                    StyleProperty::FirstLine => ['text-indent' => $length($points)],
                    StyleProperty::RuleAbove => ['border-top' => self::line(Rule::find($value))],
                    StyleProperty::RuleBelow => ['border-bottom' => self::line(Rule::find($value))],
                    StyleProperty::Frame => ['border' => self::line(Rule::find($value))],
                    StyleProperty::KeepWithNext => ['break-after' => 'yes' === $value ? 'avoid' : 'auto'],
                    StyleProperty::KeepTogether => ['break-inside' => 'yes' === $value ? 'avoid' : 'auto'],
                    StyleProperty::NewPage => ['break-before' => 'yes' === $value ? 'page' : 'auto'],
                    StyleProperty::Hyphenation => [
                        'hyphens' =>
                            'yes' === $value || ('justified' === $value && 'justified' === ($said['alignment'] ?? ''))
                                ? 'auto'
                                : 'manual',
                    ],
                },
            ];
        }

        return $css;
    }

    /**
     * What is said of one paragraph by hand; with the room that what is drawn around a text needs.
     *
     * @param array<string, string>        $said    by property, each in its normal form
     * @param \Closure(float): string      $length  points as a length
     * @param \Closure(float): string|null $leading a factor from line to line as a line height
     *
     * @return array<string, string>
     */
    public static function ofPlace(array $said, \Closure $length, ?\Closure $leading = null): array
    {
        $isDrawn = static fn(string ...$properties): bool => [] !==
            array_filter($properties, static fn(string $each): bool => 'none' !== ($said[$each] ?? 'none'));
        $isFilled = $isDrawn('ground', 'frame');
        $wide = $isFilled ? TextStyle::PADDING : 0.0;
        $hanging = max(0.0, -(float) ($said['firstLine'] ?? 0));

        return [
            ...self::ofSaid($said, $length, $leading),
            ...$isFilled || $isDrawn('ruleAbove', 'ruleBelow')
                ? ['padding-block' => $length(TextStyle::PADDING / 2)]
                : [],
            ...$wide + $hanging > 0
                ? ['padding-inline-start' => $length($wide + $hanging), 'padding-inline-end' => $length($wide)]
                : [],
        ];
    }

    /** @return array<string, string> */
    private static function capitals(Capitals $capitals): array
    {
        return [
            'text-transform' => Capitals::All === $capitals ? 'uppercase' : 'none',
            'font-variant-caps' => Capitals::Small === $capitals ? 'small-caps' : 'normal',
        ];
    }

    private static function figures(Figures $figures): string
    {
        return match ($figures) {
            Figures::Usual => 'normal',
            Figures::Lining => 'lining-nums',
            Figures::OldStyle => 'oldstyle-nums',
        };
    }

    /** As wide as on paper, whatever the size of the letters. */
    private static function line(?Rule $rule): string
    {
        return null === $rule ? 'none' : sprintf('%spt solid %s', self::number($rule->width), $rule->colour);
    }

    public static function margins(TextStyle $style): string
    {
        return sprintf(
            '%s %s %s %s',
            self::em($style->spaceBefore, $style->size),
            self::em($style->indentEnd, $style->size),
            self::em($style->spaceAfter, $style->size),
            self::em($style->indentStart, $style->size),
        );
    }

    public static function family(Typeface $face): string
    {
        return sprintf('"%s",%s', $face->value, $face->generic());
    }

    public static function alignment(Alignment $alignment): string
    {
        return match ($alignment) {
            Alignment::Start => 'start',
            Alignment::Justified => 'justify',
            Alignment::Centred => 'center',
            Alignment::End => 'end',
        };
    }

    public static function em(float $points, float $size): string
    {
        return 0.0 === $points ? '0' : self::number($points / $size) . 'em';
    }

    /** At most three decimals. */
    public static function number(float $value): string
    {
        return rtrim(rtrim(sprintf('%.3F', $value), '0'), '.');
    }
}
