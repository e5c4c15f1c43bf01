<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/**
 * Letters made alike for looking things up: without capitals and diacritics, as is wanted, and with plain quotation marks,
 * hyphens and blanks in any case. Canonically equivalent texts become the same (Unicode Standard, 3.7).
 */
final class Folding
{
    /** Signs that one keyboard writes for another. */
    private const PLAIN = [
        "\u{00A0}" => ' ',
        "\u{202F}" => ' ',
        "\u{2009}" => ' ',
        "\u{2018}" => "'",
        "\u{2019}" => "'",
        "\u{201A}" => "'",
        "\u{02BC}" => "'",
        "\u{201C}" => '"',
        "\u{201D}" => '"',
        "\u{201E}" => '"',
        "\u{2010}" => '-',
        "\u{2011}" => '-',
        "\u{2012}" => '-',
        "\u{2013}" => '-',
    ];

    /** @var array<string, string>|null letters with diacritics, and those without */
    private static ?array $bare = null;

    public static function folded(string $text, bool $caseMatters = false, bool $diacriticsMatter = false): string
    {
        return self::withPlaces($text, $caseMatters, $diacriticsMatter)[0];
    }

    /**
     * @return array{string, list<int>|null} the folded text; and for each of its characters, and its end, which character
     *     of the text it is, where some have become one: a letter with the marks that stand after it
     */
    public static function withPlaces(string $text, bool $caseMatters = false, bool $diacriticsMatter = false): array
    {
        if (1 === preg_match('/\A[\x00-\x7F]*\z/', $text)) {
            return [$caseMatters ? $text : strtolower($text), null];
        }
        if (1 !== preg_match('/\p{Mn}/u', $text)) {
            return [self::letters($text, $caseMatters, $diacriticsMatter), null];
        }
        preg_match_all('/.\p{Mn}*/us', $text, $clusters);
        $folded = '';
        $places = [];
        $at = 0;
        foreach ($clusters[0] as $cluster) {
            $letter = self::letters(self::composed($cluster, $diacriticsMatter), $caseMatters, $diacriticsMatter);
            $folded .= $letter;
            for ($count = mb_strlen($letter); $count > 0; --$count) {
                $places[] = $at;
            }
            $at += mb_strlen($cluster);
        }

        return [$folded, [...$places, $at]];
    }

    /** A letter and its marks as one character where there is one, or without the marks. */
    private static function composed(string $cluster, bool $diacriticsMatter): string
    {
        if (!$diacriticsMatter) {
            return mb_substr($cluster, 0, 1);
        }
        $composed = \Normalizer::normalize($cluster, \Normalizer::FORM_C);

        return is_string($composed) ? $composed : $cluster;
    }

    private static function letters(string $text, bool $caseMatters, bool $diacriticsMatter): string
    {
        $text = strtr($text, self::PLAIN);
        if (!$diacriticsMatter) {
            $text = strtr($text, self::bare());
        }

        return $caseMatters ? $text : mb_convert_case($text, \MB_CASE_LOWER_SIMPLE, 'UTF-8');
    }

    /**
     * Letters whose canonical decomposition (Unicode Standard Annex 15) is one letter and marks on it.
     *
     * @return array<string, string>
     */
    private static function bare(): array
    {
        if (null !== self::$bare) {
            return self::$bare;
        }
        self::$bare = [];
        foreach ([[0xc0, 0x24f], [0x370, 0x52f], [0x1e00, 0x1fff]] as [$from, $to]) {
            for ($point = $from; $point <= $to; ++$point) {
                $letter = (string) mb_chr($point);
                $parts = \Normalizer::normalize($letter, \Normalizer::FORM_D);
                if (
                    is_string($parts) &&
                    $parts !== $letter &&
                    1 === preg_match('/\A(\p{L})\p{M}+\z/u', $parts, $match)
                ) {
                    self::$bare[$letter] = $match[1];
                }
            }
        }
        // Strokes are no marks to Unicode, and a keyboard without them writes the letter alone.
        self::$bare += ['ø' => 'o', 'Ø' => 'O', 'ł' => 'l', 'Ł' => 'L', 'đ' => 'd', 'Đ' => 'D', 'ı' => 'i'];

        return self::$bare;
    }
}
