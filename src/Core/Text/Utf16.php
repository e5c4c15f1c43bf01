<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** Lengths and cuts in UTF-16 code units, the unit in which the editor counts. */
final class Utf16
{
    public static function length(string $text): int
    {
        $characters = mb_strlen($text, 'UTF-8');

        // What takes four bytes in UTF-8 takes two units.
        return strlen($text) === $characters ? $characters : $characters + (int) preg_match_all('/[\xF0-\xF4]/', $text);
    }

    /** A cut between the two halves of one character moves to before that character. */
    public static function slice(string $text, int $from, int $to): string
    {
        if (mb_check_encoding($text, 'ASCII')) {
            return substr($text, $from, $to - $from);
        }
        $units = mb_convert_encoding($text, 'UTF-16LE', 'UTF-8');
        $from = self::wholeCharacter($units, $from);
        $to = self::wholeCharacter($units, $to);

        return mb_convert_encoding(substr($units, 2 * $from, 2 * ($to - $from)), 'UTF-8', 'UTF-16LE');
    }

    private static function wholeCharacter(string $units, int $at): int
    {
        $isLowSurrogate = $at > 0 && 2 * $at < strlen($units) && 0xdc === (ord($units[2 * $at + 1]) & 0xfc);

        return $isLowSurrogate ? $at - 1 : $at;
    }
}
