<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/**
 * Letters made alike for looking things up: without capitals and diacritics, as is wanted, and with plain quotation marks,
 * hyphens and blanks in any case. One character stays one character, so that a place in the folded words is the same
 * place in the words.
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
        if (1 === preg_match('/\A[\x00-\x7F]*\z/', $text)) {
            return $caseMatters ? $text : strtolower($text);
        }
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
                if (is_string($parts) && $parts !== $letter && 1 === preg_match('/\A(\p{L})\p{M}+\z/u', $parts, $match)) {
                    self::$bare[$letter] = $match[1];
                }
            }
        }
        // Strokes are no marks to Unicode, and a keyboard without them writes the letter alone.
        self::$bare += ['ø' => 'o', 'Ø' => 'O', 'ł' => 'l', 'Ł' => 'L', 'đ' => 'd', 'Đ' => 'D', 'ı' => 'i'];

        return self::$bare;
    }
}
