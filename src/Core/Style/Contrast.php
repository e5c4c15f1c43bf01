<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How well letters stand out from their ground (WCAG 2.2, “contrast ratio” and “relative luminance”). */
final class Contrast
{
    /** Asked of text (WCAG 2.2, 1.4.3, level AA), and of large text: from 18 points on, or 14 when bold. */
    public const TEXT = 4.5;
    public const LARGE_TEXT = 3.0;

    /**
     * @param string $one   as “#aa1166”
     * @param string $other as “#ffffff”
     *
     * @return float from 1, the same, to 21, black on white
     */
    public static function between(string $one, string $other): float
    {
        $luminances = [self::luminance($one), self::luminance($other)];

        return (max($luminances) + 0.05) / (min($luminances) + 0.05);
    }

    public static function asked(TextStyle $style): float
    {
        return $style->size >= 18 || ($style->size >= 14 && $style->weight >= 700) ? self::LARGE_TEXT : self::TEXT;
    }

    private static function luminance(string $colour): float
    {
        $parts = array_map(static function (string $hex): float {
            $share = hexdec($hex) / 255;

            return $share <= 0.04045 ? $share / 12.92 : (($share + 0.055) / 1.055) ** 2.4;
        }, str_split(ltrim($colour, '#'), 2));

        return 0.2126 * $parts[0] + 0.7152 * $parts[1] + 0.0722 * $parts[2];
    }
}
