<?php

declare(strict_types=1);

namespace Stemmata\Format;

/** Makes sure that bytes are text in UTF-8 before a reader looks at them. */
final class TextBytes
{
    /** @throws FormatException */
    public static function utf8(string $bytes): string
    {
        $text = str_starts_with($bytes, "\xEF\xBB\xBF") ? substr($bytes, 3) : $bytes;
        if (str_contains($text, "\0")) {
            throw FormatException::notText();
        }
        if (!mb_check_encoding($text, 'UTF-8')) {
            throw FormatException::notUtf8(self::firstBadLine($text));
        }
        if ('' === trim($text)) {
            throw FormatException::isEmpty();
        }

        return $text;
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
