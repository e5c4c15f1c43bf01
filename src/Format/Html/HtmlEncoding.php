<?php

declare(strict_types=1);

namespace Stemmata\Format\Html;

/** Finds out how the letters of a page are encoded. */
final class HtmlEncoding
{
    /** @return array{string, bool} the page in UTF-8, and whether its encoding was guessed */
    public static function inUtf8(string $bytes): array
    {
        $marked = match (true) {
            str_starts_with($bytes, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($bytes, "\xFE\xFF") => 'UTF-16BE',
            default => null,
        };
        if (null !== $marked) {
            return [(string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', $marked), false];
        }
        if (mb_check_encoding($bytes, 'UTF-8') || str_contains($bytes, "\0")) {
            return [$bytes, false];
        }
        $declared = 1 === preg_match('/<meta[^>]+charset=["\']?\s*([A-Za-z0-9_-]+)/i', substr($bytes, 0, 2048), $match) ? self::findKnown($match[1]) : null;

        // Where nothing is said, browsers read Windows-1252 (HTML Living Standard 13.2.3.2).
        return [(string) mb_convert_encoding($bytes, 'UTF-8', $declared ?? 'Windows-1252'), null === $declared];
    }

    private static function findKnown(string $name): ?string
    {
        // The Encoding Standard reads Latin-1 as Windows-1252.
        if (in_array(strtolower($name), ['iso-8859-1', 'latin1', 'us-ascii'], true)) {
            return 'Windows-1252';
        }
        foreach (mb_list_encodings() as $encoding) {
            if (0 === strcasecmp($encoding, $name) || in_array(strtolower($name), array_map(strtolower(...), mb_encoding_aliases($encoding)), true)) {
                return $encoding;
            }
        }

        return null;
    }
}
