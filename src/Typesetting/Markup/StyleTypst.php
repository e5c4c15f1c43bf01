<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Markup;

use Stemmata\Core\Style\Alignment;
use Stemmata\Core\Style\Figures;
use Stemmata\Core\Style\Rule;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Core\Style\WordLook;

/** How texts look, as dictionaries of the engine, which looks.typ does to content. */
final class StyleTypst
{
    /** For what the faces do not hold; those that are there are taken in this order. */
    public const FALLBACK = [
        'Libertinus Serif',
        'Noto Serif',
        'Noto Sans',
        'Noto Naskh Arabic',
        'Noto Serif Hebrew',
        'Noto Serif CJK SC',
        'Noto Color Emoji',
    ];

    /** @param array<string, string> $entries by names that are no words of the engine’s */
    public static function named(array $entries): string
    {
        $written = ':';
        foreach ($entries as $name => $value) {
            $written .= (':' === $written ? '' : ', ') . TypstValue::string($name) . ': ' . $value;
        }

        return ':' === $written ? $written : substr($written, 1);
    }

    /** What is said of words of a kind, and nothing else: the rest they have from the text they stand in. */
    public static function words(WordLook $look): string
    {
        $said = static fn(StyleProperty $property): ?string => $look->find($property);
        $colour = $said(StyleProperty::Colour);
        $size = $said(StyleProperty::Size);
        $text = array_filter([
            'font' =>
                null === $said(StyleProperty::Face)
                    ? ''
                    : '(' . TypstValue::string($said(StyleProperty::Face)) . ',) + ' . TypstValue::of(self::FALLBACK),
            'size' =>
                null === $size
                    ? ''
                    : (str_ends_with($size, '%')
                        ? sprintf('%Fem', (float) $size / 100)
                        : TypstValue::length((float) $size)),
            'weight' => $said(StyleProperty::Weight) ?? '',
            'style' => match ($said(StyleProperty::Slant)) {
                null => '',
                'italic' => '"italic"',
                default => '"normal"',
            },
            'fill' => null === $colour ? '' : ('ink' === $colour ? 'black' : 'rgb("' . $colour . '")'),
            'tracking' =>
                null === $said(StyleProperty::LetterSpacing)
                    ? ''
                    : TypstValue::length((float) $said(StyleProperty::LetterSpacing)),
            'number-type' =>
                null === $said(StyleProperty::Figures)
                    ? ''
                    : self::figures(Figures::from($said(StyleProperty::Figures))),
        ]);
        $ground = $said(StyleProperty::Ground);

        return sprintf(
            '(text: (%s), capitals: %s, underline: %s, ground: %s)',
            [] === $text ? ':' : self::dictionary($text),
            TypstValue::string($said(StyleProperty::Capitals) ?? 'none'),
            TypstValue::of('yes' === $said(StyleProperty::Underline)),
            TypstValue::of('none' === $ground ? null : $ground),
        );
    }

    /** @param TextStyle|null $usual the same kind as the house style has it */
    public static function paragraph(TextStyle $style, ?TextStyle $usual = null, bool $indentsAll = false): string
    {
        return '(' .
            self::dictionary([
                'face' => TypstValue::string($style->face->value),
                'size' => TypstValue::length($style->size),
                'pitch' => TypstValue::length($style->pitch()),
                'weight' => TypstValue::of($style->weight),
                'italic' => TypstValue::of($style->italic),
                'capitals' => TypstValue::string($style->capitals->value),
                'tracking' => TypstValue::length($style->letterSpacing),
                'colour' => TypstValue::of($style->colour),
                'ground' => TypstValue::of($style->ground),
                'underline' => TypstValue::of($style->underline),
                'figures' => self::figures($style->figures),
                'justified' => TypstValue::of(Alignment::Justified === $style->alignment),
                'align' => match ($style->alignment) {
                    Alignment::Start, Alignment::Justified => 'none',
                    Alignment::Centred => 'center',
                    Alignment::End => 'end',
                },
                'hyphenate' => TypstValue::of($style->hyphenates()),
                'first-line' => TypstValue::length($style->firstLine),
                'indents-all' => TypstValue::of($indentsAll),
                'indent-start' => TypstValue::length($style->indentStart),
                'indent-end' => TypstValue::length($style->indentEnd),
                'before' => TypstValue::length($style->spaceBefore),
                'after' => TypstValue::length($style->spaceAfter),
                'rule-above' => self::rule($style->ruleAbove),
                'rule-below' => self::rule($style->ruleBelow),
                'frame' => self::rule($style->frame),
                'before-shift' => TypstValue::length($style->spaceBefore - ($usual ?? $style)->spaceBefore),
                'after-shift' => TypstValue::length($style->spaceAfter - ($usual ?? $style)->spaceAfter),
                'page-top' => TypstValue::length(
                    $style->spaceBefore === ($usual ?? $style)->spaceBefore ? 0.0 : $style->spaceBefore,
                ),
                'keep-with-next' => TypstValue::of($style->keepWithNext),
                'keep-together' => TypstValue::of($style->keepTogether),
                'new-page' => TypstValue::of($style->newPage),
            ]) .
            ')';
    }

    private static function figures(Figures $figures): string
    {
        return match ($figures) {
            Figures::Usual => 'auto',
            Figures::Lining => '"lining"',
            Figures::OldStyle => '"old-style"',
        };
    }

    private static function rule(?Rule $rule): string
    {
        return null === $rule
            ? 'none'
            : sprintf('(%s, %s)', TypstValue::length($rule->width), TypstValue::string($rule->colour));
    }

    /** @param array<string, string> $entries */
    public static function dictionary(array $entries): string
    {
        $written = [];
        foreach ($entries as $name => $value) {
            $written[] = $name . ': ' . $value;
        }

        return implode(', ', $written);
    }
}
