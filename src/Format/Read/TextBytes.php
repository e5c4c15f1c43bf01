<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Language\Characters;
use Stemmata\Format\Shared\FormatException;

/** Makes sure that bytes are text in UTF-8 before a reader looks at them. */
final class TextBytes
{
    private const MARKS = [
        "\xEF\xBB\xBF" => 'UTF-8',
        "\xFF\xFE\x00\x00" => 'UTF-32LE',
        "\x00\x00\xFE\xFF" => 'UTF-32BE',
        "\xFF\xFE" => 'UTF-16LE',
        "\xFE\xFF" => 'UTF-16BE',
    ];
    /** No text holds many of the signs below the blank; a few strayed into many a file. */
    private const STRAY = 3;
    private const STRAY_IN = 200;

    /**
     * @throws FormatException for what is no text, or not in UTF-8 although nothing says otherwise
     */
    public static function utf8(string $bytes): string
    {
        $text = self::findMarked($bytes) ?? $bytes;
        if (self::isBinary($text)) {
            throw FormatException::notText();
        }
        if (!mb_check_encoding($text, 'UTF-8')) {
            throw FormatException::notUtf8(self::firstBadLine($text));
        }
        $text = self::cleaned($text);
        if ('' === trim($text)) {
            throw FormatException::isEmpty();
        }

        return $text;
    }

    /**
     * A file that begins with a byte order mark, in UTF-8; null for one that does not.
     *
     * @throws FormatException when the rest is not what the mark says
     */
    public static function findMarked(string $bytes): ?string
    {
        foreach (self::MARKS as $mark => $encoding) {
            if (str_starts_with($bytes, $mark)) {
                $rest = substr($bytes, strlen($mark));

                return 'UTF-8' === $encoding || mb_check_encoding($rest, $encoding)
                    ? (string) mb_convert_encoding($rest, 'UTF-8', $encoding)
                    : throw FormatException::notText();
            }
        }

        return null;
    }

    public static function isBinary(string $bytes): bool
    {
        return preg_match_all('/[\x00-\x08\x0E-\x1F\x7F]/', $bytes) > max(self::STRAY, strlen($bytes) / self::STRAY_IN);
    }

    /**
     * U+0000 is replaced, as CommonMark (2.3) and the HTML standard (13.2.5) say; other control characters stand for
     * nothing.
     */
    public static function cleaned(string $text): string
    {
        return Characters::cleaned(strtr($text, ["\0" => "\u{FFFD}", "\x0B" => ' ', "\x0C" => "\n"]));
    }

    private static function firstBadLine(string $text): int
    {
        foreach (explode("\n", $text) as $index => $line) {
            if (!mb_check_encoding($line, 'UTF-8')) {
                return $index + 1;
            }
        }

        return 1;
    }
}
