<?php

declare(strict_types=1);

namespace Stemmata\Format\Text;

use Stemmata\Format\FormatException;

/** Finds out how a plain text is encoded: by its mark, as UTF-8, or else as Windows-1252. */
final class TextEncoding
{
    private const MARKS = ["\xEF\xBB\xBF" => 'UTF-8', "\xFF\xFE\x00\x00" => 'UTF-32LE', "\x00\x00\xFE\xFF" => 'UTF-32BE', "\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'];

    /**
     * @return array{string, bool} the text in UTF-8, and whether its encoding was guessed
     *
     * @throws FormatException
     */
    public static function inUtf8(string $bytes): array
    {
        foreach (self::MARKS as $mark => $encoding) {
            if (str_starts_with($bytes, $mark)) {
                $rest = substr($bytes, strlen($mark));
                if (!mb_check_encoding($rest, $encoding)) {
                    throw FormatException::notText();
                }

                return [(string) mb_convert_encoding($rest, 'UTF-8', $encoding), false];
            }
        }
        if (str_contains($bytes, "\0")) {
            throw FormatException::notText();
        }
        if (mb_check_encoding($bytes, 'UTF-8')) {
            return [$bytes, false];
        }
        // Five bytes stand for nothing in Windows-1252, and no text holds many of the signs below the blank.
        if (preg_match_all('/[\x81\x8D\x8F\x90\x9D\x01-\x08\x0E-\x1F\x7F]/', $bytes) > strlen($bytes) / 200) {
            throw FormatException::notText();
        }

        return [(string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'), true];
    }
}
