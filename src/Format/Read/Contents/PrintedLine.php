<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Contents;

/** A line of contents as a program printed it: a number, the words, leaders and a page, each there or not. */
final class PrintedLine
{
    private const PAGE = '/(?:\t|(?:\s*[.·…_]\s*){3,}|\s{2,})\s*(?:\d{1,5}|[ivxlc]{1,8})\s*\z/iu';
    private const NUMBER = '/\A(?:\d+|[A-Z](?=[.\t]))(?:\.\d+)*[.)]?[\t\s]+(?=\S)/u';

    /** @param string $number of the heading, when it is known */
    public static function words(string $line, string $number = ''): string
    {
        $words = trim((string) preg_replace(self::PAGE, '', trim($line, " \n\r")));
        $number = rtrim($number, '.');
        if ('' !== $number && 1 === preg_match('/\A' . preg_quote($number, '/') . '[.)]?\s+(?=\S)/u', $words, $match)) {
            $words = substr($words, strlen($match[0]));
        } else {
            $words = (string) preg_replace(self::NUMBER, '', $words);
        }

        return trim((string) preg_replace('/\s+/u', ' ', $words));
    }

    /** Whether it says what the heading says, but for number, page and signs. */
    public static function says(string $line, string $heading): bool
    {
        $letters = self::letters($heading);

        return '' === $letters || in_array($letters, [self::letters($line), self::letters(self::words($line))], true);
    }

    public static function letters(string $words): string
    {
        return mb_strtolower((string) preg_replace('/[^\p{L}]+/u', '', $words));
    }
}
