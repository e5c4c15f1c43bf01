<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Format\Read\TextBytes;

/** Finds out how the letters of a page are encoded. */
final class HtmlEncoding
{
    private const DECLARATION = '/(<meta[^<>]{1,1000}?charset=["\']?\s*)([A-Za-z0-9_:.-]+)/i';

    /** @return array{string, bool} the page in UTF-8 and saying so, and whether its encoding was guessed */
    public static function inUtf8(string $bytes): array
    {
        [$page, $isGuessed] = self::decoded($bytes);

        // The parser believes what the page declares, which was right before.
        return [preg_replace(self::DECLARATION, '$1utf-8', $page) ?? $page, $isGuessed];
    }

    /** @return array{string, bool} */
    private static function decoded(string $bytes): array
    {
        $marked = TextBytes::findMarked($bytes);
        if (null !== $marked) {
            return [$marked, false];
        }
        if (mb_check_encoding($bytes, 'UTF-8') || TextBytes::isBinary($bytes)) {
            return [$bytes, false];
        }
        $declared = 1 === preg_match(self::DECLARATION, substr($bytes, 0, 2048), $match) ? $match[2] : '';
        $converter = self::isLatin($declared) ? null : self::findConverter($declared);

        // Where nothing is said, browsers read Windows-1252 (HTML Living Standard 13.2.3.2).
        return null === $converter
            ? [(string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'), !self::isLatin($declared)]
            : [(string) \UConverter::transcode($bytes, 'UTF-8', $converter), false];
    }

    /** The Encoding Standard reads Latin-1 as Windows-1252. */
    private static function isLatin(string $name): bool
    {
        return in_array(strtolower($name), ['windows-1252', 'cp1252', 'iso-8859-1', 'latin1', 'us-ascii'], true);
    }

    /** The one name that ICU gives to what has several. */
    private static function findConverter(string $name): ?string
    {
        $names = '' === $name ? [] : (\UConverter::getAliases($name) ?: []);

        return is_string($names[0] ?? null) ? $names[0] : null;
    }
}
