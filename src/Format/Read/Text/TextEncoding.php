<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Text;

use Stemmata\Core\Language\Characters;
use Stemmata\Format\Read\TextBytes;
use Stemmata\Format\Shared\FormatException;

/** Finds out how a plain text is encoded: by its mark, as UTF-8, or else as Windows-1252. */
final class TextEncoding
{
    /**
     * @return array{string, bool} the text in UTF-8, and whether its encoding was guessed
     *
     * @throws FormatException
     */
    public static function inUtf8(string $bytes): array
    {
        $marked = TextBytes::findMarked($bytes);
        $text = $marked ?? $bytes;
        if (TextBytes::isBinary($text)) {
            throw FormatException::notText();
        }
        if (null !== $marked || mb_check_encoding($text, 'UTF-8')) {
            return [self::cleaned($text), false];
        }
        // Five bytes stand for nothing in Windows-1252.
        if (preg_match_all('/[\x81\x8D\x8F\x90\x9D]/', $bytes) > strlen($bytes) / 200) {
            throw FormatException::notText();
        }

        return [self::cleaned((string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252')), true];
    }

    /** The sign for a new page stays: it tells the pages of a printed text apart. */
    private static function cleaned(string $text): string
    {
        return implode(
            "\f",
            array_map(Characters::cleaned(...), explode("\f", strtr($text, ["\0" => "\u{FFFD}", "\x0B" => ' ']))),
        );
    }
}
