<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

/** How one number is written. */
enum NumberStyle: string
{
    /** 1, 2, 3 */
    case Arabic = 'arabic';
    /** I, II, III */
    case UpperRoman = 'upper-roman';
    /** i, ii, iii */
    case LowerRoman = 'lower-roman';
    /** A, B, C, … Z, AA */
    case UpperLetter = 'upper-letter';
    /** a, b, c, … z, aa */
    case LowerLetter = 'lower-letter';
    /** One, Two, Twenty-One; English only */
    case Spelled = 'spelled';
    /** ONE, TWO */
    case SpelledCapitals = 'spelled-capitals';

    private const ROMANS = [
        'M' => 1000,
        'CM' => 900,
        'D' => 500,
        'CD' => 400,
        'C' => 100,
        'XC' => 90,
        'L' => 50,
        'XL' => 40,
        'X' => 10,
        'IX' => 9,
        'V' => 5,
        'IV' => 4,
        'I' => 1,
    ];
    private const UNITS = [
        'Zero',
        'One',
        'Two',
        'Three',
        'Four',
        'Five',
        'Six',
        'Seven',
        'Eight',
        'Nine',
        'Ten',
        'Eleven',
        'Twelve',
        'Thirteen',
        'Fourteen',
        'Fifteen',
        'Sixteen',
        'Seventeen',
        'Eighteen',
        'Nineteen',
    ];
    private const TENS = [2 => 'Twenty', 'Thirty', 'Forty', 'Fifty', 'Sixty', 'Seventy', 'Eighty', 'Ninety'];

    /** @param int $number 0 or more; a style that has no sign for it, such as a roman nought, writes digits */
    public function written(int $number): string
    {
        return match ($this) {
            self::Arabic => (string) $number,
            self::UpperRoman => self::roman($number) ?? (string) $number,
            self::LowerRoman => strtolower(self::roman($number) ?? (string) $number),
            self::UpperLetter => self::letters($number) ?? (string) $number,
            self::LowerLetter => strtolower(self::letters($number) ?? (string) $number),
            self::Spelled => self::spelled($number) ?? (string) $number,
            self::SpelledCapitals => strtoupper(self::spelled($number) ?? (string) $number),
        };
    }

    /** The number that a text writes in this style, or null when it is not written so. */
    public function findNumber(string $text): ?int
    {
        if (self::Arabic === $this) {
            return 1 === preg_match('/\A\d{1,6}\z/', $text) ? (int) $text : null;
        }
        $number = match ($this) {
            self::UpperRoman, self::LowerRoman => self::ofRoman(strtoupper($text)),
            self::UpperLetter, self::LowerLetter => self::ofLetters(strtoupper($text)),
            self::Spelled, self::SpelledCapitals => self::ofSpelled($text),
        };

        return null !== $number && $this->written($number) === $text ? $number : null;
    }

    /** @return list<self> every style in which the text is a number; “I” is a roman one and a letter */
    public static function stylesOf(string $text): array
    {
        return array_values(
            array_filter(self::cases(), static fn(self $style): bool => null !== $style->findNumber($text)),
        );
    }

    private static function roman(int $number): ?string
    {
        if ($number < 1 || $number > 3999) {
            return null;
        }
        $text = '';
        foreach (self::ROMANS as $sign => $value) {
            $text .= str_repeat($sign, intdiv($number, $value));
            $number %= $value;
        }

        return $text;
    }

    private static function ofRoman(string $text): ?int
    {
        if (1 !== preg_match('/\A[MDCLXVI]{1,15}\z/', $text)) {
            return null;
        }
        $number = 0;
        foreach (str_split($text) as $at => $sign) {
            $value = self::ROMANS[$sign];
            $number += $value < (self::ROMANS[$text[$at + 1] ?? ''] ?? 0) ? -$value : $value;
        }

        return $number;
    }

    private static function letters(int $number): ?string
    {
        if ($number < 1) {
            return null;
        }
        $text = '';
        for (; $number > 0; $number = intdiv($number - 1, 26)) {
            $text = chr(65 + (($number - 1) % 26)) . $text;
        }

        return $text;
    }

    private static function ofLetters(string $text): ?int
    {
        if (1 !== preg_match('/\A[A-Z]{1,2}\z/', $text)) {
            return null;
        }
        $number = 0;
        foreach (str_split($text) as $letter) {
            $number = 26 * $number + ord($letter) - 64;
        }

        return $number;
    }

    private static function spelled(int $number): ?string
    {
        if ($number < 0 || $number > 99) {
            return null;
        }
        if ($number < 20) {
            return self::UNITS[$number];
        }

        return self::TENS[intdiv($number, 10)] . (0 === $number % 10 ? '' : '-' . self::UNITS[$number % 10]);
    }

    private static function ofSpelled(string $text): ?int
    {
        $title = ucwords(strtolower($text), '-');
        $unit = array_search($title, self::UNITS, true);
        if (is_int($unit)) {
            return $unit;
        }
        [$tens, $rest] = [...explode('-', $title, 2), ''];
        $ten = array_search($tens, self::TENS, true);
        $last = '' === $rest ? 0 : array_search($rest, self::UNITS, true);

        return is_int($ten) && is_int($last) && $last < 10 ? 10 * $ten + $last : null;
    }
}
