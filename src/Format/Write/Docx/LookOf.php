<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Style\Alignment;
use Stemmata\Core\Style\Capitals;
use Stemmata\Core\Style\Figures;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Core\Style\Typeface;
use Stemmata\Core\Style\WordLook;

/** How a kind of text looks, in the properties of a style (ECMA-376-1, 17.3.1 and 17.3.2), in the order of the schema. */
final class LookOf
{
    /** Twentieths of a point in a point. */
    private const TWIPS = 20;
    /** Lines are counted in 240ths of one. */
    private const LINE = 240;
    /** A line of a program is about this high, as a multiple of the size of the text (common practice). */
    private const NATURAL_LINE = 1.2;
    /** Borders are counted in eighths of a point. */
    private const EIGHTHS = 8;
    /** From this weight on a program shows bold. */
    private const BOLD = 600;

    /**
     * @param string $numbering  what stands between the other properties: the numbering of the style
     * @param string $tabs       and its tabulators
     * @param bool   $hyphenates whether the file is hyphenated, and has to say where it is not
     */
    public static function paragraph(
        TextStyle $style,
        string $numbering = '',
        string $tabs = '',
        bool $hyphenates = false,
    ): string {
        return ($style->keepWithNext ? '<w:keepNext/>' : '') .
            ($style->keepTogether ? '<w:keepLines/>' : '') .
            ($style->newPage ? '<w:pageBreakBefore/>' : '') .
            $numbering .
            self::borders($style) .
            (null === $style->ground ? '' : self::shade($style->ground)) .
            $tabs .
            ($hyphenates && !$style->hyphenates() ? '<w:suppressAutoHyphens/>' : '') .
            sprintf(
                '<w:spacing w:before="%d" w:after="%d" w:line="%d" w:lineRule="%s"/><w:ind w:left="%d" w:right="%d" %s/><w:jc w:val="%s"/>',
                self::twips($style->spaceBefore),
                self::twips($style->spaceAfter),
                $style->isExact
                    ? self::twips($style->pitch())
                    : (int) round(self::LINE * max(1.0, $style->lineHeight / self::NATURAL_LINE)),
                $style->isExact ? 'exact' : 'auto',
                self::twips($style->indentStart - min(0, $style->firstLine)),
                self::twips($style->indentEnd),
                $style->firstLine < 0
                    ? sprintf('w:hanging="%d"', self::twips(-$style->firstLine))
                    : sprintf('w:firstLine="%d"', self::twips($style->firstLine)),
                match ($style->alignment) {
                    Alignment::Start => 'start',
                    Alignment::Justified => 'both',
                    Alignment::Centred => 'center',
                    Alignment::End => 'end',
                },
            );
    }

    public static function run(TextStyle $style): string
    {
        return self::face($style->face) .
            ($style->weight >= self::BOLD ? '<w:b/>' : '') .
            ($style->italic ? '<w:i/>' : '') .
            self::capitals($style->capitals) .
            (Typeface::Mono === $style->face ? '<w:noProof/>' : '') .
            (null === $style->colour ? '' : self::colour($style->colour)) .
            (0.0 === $style->letterSpacing
                ? ''
                : sprintf('<w:spacing w:val="%d"/>', self::twips($style->letterSpacing))) .
            sprintf('<w:sz w:val="%1$d"/><w:szCs w:val="%1$d"/>', (int) round($style->size * 2)) .
            ($style->underline ? '<w:u w:val="single"/>' : '') .
            self::figures($style->figures);
    }

    /**
     * What differs from the style that another rests on is said in full: “not bold” too, or it would be taken from there.
     *
     * @param float $size of the text that the words stand in, in points
     */
    public static function words(WordLook $look, float $size): string
    {
        $said = static fn(StyleProperty $property): ?string => $look->find($property);
        $written = static fn(StyleProperty $property, string $yes, string $no, string $xml): string => match (
            $said($property)
        ) {
            $yes => '<w:' . $xml . '/>',
            null => '',
            default => '' === $no ? '' : '<w:' . $xml . ' w:val="' . $no . '"/>',
        };
        $weight = $said(StyleProperty::Weight);
        $points = $said(StyleProperty::Size);
        $half = match (true) {
            null === $points => null,
            str_ends_with($points, '%') => (int) round(($size * (float) $points) / 50),
            default => (int) round((float) $points * 2),
        };
        $spacing = $said(StyleProperty::LetterSpacing);
        $colour = $said(StyleProperty::Colour);
        $ground = $said(StyleProperty::Ground);

        return (null === $said(StyleProperty::Face) ? '' : self::face(Typeface::from($said(StyleProperty::Face)))) .
            (null === $weight ? '' : ((int) $weight >= self::BOLD ? '<w:b/>' : '<w:b w:val="0"/>')) .
            $written(StyleProperty::Slant, 'italic', '0', 'i') .
            match ($said(StyleProperty::Capitals)) {
                null => '',
                'none' => '<w:caps w:val="0"/><w:smallCaps w:val="0"/>',
                default => self::capitals(Capitals::from($said(StyleProperty::Capitals))),
            } .
            (null === $colour ? '' : self::colour($colour)) .
            (null === $spacing ? '' : sprintf('<w:spacing w:val="%d"/>', self::twips((float) $spacing))) .
            (null === $half ? '' : sprintf('<w:sz w:val="%1$d"/><w:szCs w:val="%1$d"/>', $half)) .
            match ($said(StyleProperty::Underline)) {
                'yes' => '<w:u w:val="single"/>',
                'no' => '<w:u w:val="none"/>',
                default => '',
            } .
            (null === $ground || 'none' === $ground ? '' : self::shade($ground)) .
            (null === $said(StyleProperty::Figures) ? '' : self::figures(Figures::from($said(StyleProperty::Figures))));
    }

    private static function face(Typeface $face): string
    {
        return sprintf(
            '<w:rFonts w:ascii="%1$s" w:hAnsi="%1$s" w:eastAsia="%1$s" w:cs="%1$s"/>',
            Xml::escaped($face->value),
        );
    }

    private static function capitals(Capitals $capitals): string
    {
        return match ($capitals) {
            Capitals::None => '',
            Capitals::Small => '<w:smallCaps/>',
            Capitals::All => '<w:caps/>',
        };
    }

    private static function colour(string $colour): string
    {
        return sprintf('<w:color w:val="%s"/>', 'ink' === $colour ? 'auto' : strtoupper(ltrim($colour, '#')));
    }

    private static function shade(string $colour): string
    {
        return sprintf('<w:shd w:val="clear" w:color="auto" w:fill="%s"/>', strtoupper(ltrim($colour, '#')));
    }

    /** An extension of the format that readers without it pass over ([MS-DOCX], 2.6.1.11). */
    private static function figures(Figures $figures): string
    {
        return match ($figures) {
            Figures::Usual => '',
            Figures::Lining => '<w14:numForm w14:val="lining"/>',
            Figures::OldStyle => '<w14:numForm w14:val="oldStyle"/>',
        };
    }

    private static function borders(TextStyle $style): string
    {
        $xml = '';
        foreach (
            [
                'top' => $style->ruleAbove ?? $style->frame,
                'left' => $style->frame,
                'bottom' => $style->ruleBelow ?? $style->frame,
                'right' => $style->frame,
            ]
            as $side => $rule
        ) {
            $xml .=
                null === $rule
                    ? ''
                    : sprintf(
                        '<w:%s w:val="single" w:sz="%d" w:space="4" w:color="%s"/>',
                        $side,
                        max(2, (int) round($rule->width * self::EIGHTHS)),
                        strtoupper(ltrim($rule->colour, '#')),
                    );
        }

        return '' === $xml ? '' : '<w:pBdr>' . $xml . '</w:pBdr>';
    }

    private static function twips(float $points): int
    {
        return (int) round($points * self::TWIPS);
    }
}
