<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Style\Alignment;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Core\Style\Typeface;

/** How a kind of text looks, in the properties of a style (ECMA-376-1, 17.3.1 and 17.3.2), in the order of the schema. */
final class LookOf
{
    /** Twentieths of a point in a point. */
    private const TWIPS = 20;
    /** Lines are counted in 240ths of one. */
    private const LINE = 240;
    /** A line of a program is about this high, as a multiple of the size of the text (common practice). */
    private const NATURAL_LINE = 1.2;
    /** From this weight on a program shows bold. */
    private const BOLD = 600;

    public static function paragraph(TextStyle $style): string
    {
        return sprintf(
            '<w:spacing w:before="%d" w:after="%d" w:line="%d" w:lineRule="auto"/><w:ind w:left="%d" w:right="%d" w:firstLine="%d"/><w:jc w:val="%s"/>',
            self::twips($style->spaceBefore),
            self::twips($style->spaceAfter),
            (int) round(self::LINE * max(1.0, $style->lineHeight / self::NATURAL_LINE)),
            self::twips($style->indentStart),
            self::twips($style->indentEnd),
            self::twips($style->firstLine),
            match ($style->alignment) {
                Alignment::Start => 'start',
                Alignment::Justified => 'both',
                Alignment::Centred => 'center',
            },
        );
    }

    public static function run(TextStyle $style): string
    {
        return sprintf(
            '<w:rFonts w:ascii="%1$s" w:hAnsi="%1$s" w:eastAsia="%1$s" w:cs="%1$s"/>%2$s%3$s%4$s<w:sz w:val="%5$d"/><w:szCs w:val="%5$d"/>',
            Xml::escaped($style->face->value),
            $style->weight >= self::BOLD ? '<w:b/>' : '',
            $style->italic ? '<w:i/>' : '',
            Typeface::Mono === $style->face ? '<w:noProof/>' : '',
            (int) round($style->size * 2),
        );
    }

    private static function twips(float $points): int
    {
        return (int) round($points * self::TWIPS);
    }
}
