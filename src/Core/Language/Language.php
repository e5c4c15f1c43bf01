<?php

declare(strict_types=1);

namespace Stemmata\Core\Language;

/** Tags of languages after BCP 47 (RFC 5646), such as “en”, “de-AT” or “az-Arab”. */
final readonly class Language
{
    /** RFC 5646, section 2.1: `langtag` and `privateuse`; the irregular tags of section 2.2.8 are not taken. */
    private const TAG =
        '/\A(?:(?:[a-z]{2,3}(?:-[a-z]{3}){0,3}|[a-z]{4,8})(?:-[a-z]{4})?(?:-(?:[a-z]{2}|\d{3}))?' .
        '(?:-(?:[a-z0-9]{5,8}|\d[a-z0-9]{3}))*(?:-[a-wyz0-9](?:-[a-z0-9]{2,8})+)*(?:-x(?:-[a-z0-9]{1,8})+)?' .
        '|x(?:-[a-z0-9]{1,8})+)\z/i';

    /** Far beyond the 35 characters that any program must take (RFC 5646, section 4.4.1). */
    private const LONGEST = 100;

    /** Scripts that are written from right to left (ISO 15924). */
    private const RIGHT_TO_LEFT_SCRIPTS = ['adlm', 'arab', 'hebr', 'mand', 'nkoo', 'rohg', 'samr', 'syrc', 'thaa'];

    /** Languages that are written so where no script is named (CLDR, likely subtags; from memory). */
    private const RIGHT_TO_LEFT = [
        'ar',
        'arc',
        'ckb',
        'dv',
        'fa',
        'glk',
        'he',
        'ks',
        'lrc',
        'mzn',
        'nqo',
        'pnb',
        'ps',
        'rhg',
        'sd',
        'syr',
        'ug',
        'ur',
        'yi',
    ];

    public static function isTag(string $tag): bool
    {
        return strlen($tag) <= self::LONGEST && 1 === preg_match(self::TAG, $tag);
    }

    /** The language itself, of two or three letters (ISO 639); “und” for a tag of other people's making. */
    public static function primary(string $tag): string
    {
        return 1 === preg_match('/\A[a-z]{2,3}(?=-|\z)/i', $tag, $found) ? strtolower($found[0]) : 'und';
    }

    /** Language, script and region, which ICU knows of; what else a tag may say is not for sorting, counting and numbers. */
    public static function locale(string $tag): string
    {
        return 1 === preg_match('/\A[a-z]{2,3}(?:-[a-z]{4})?(?:-(?:[a-z]{2}|\d{3}))?(?=-|\z)/i', $tag, $found)
            ? $found[0]
            : 'en';
    }

    /** The region, in capitals; null where none is named by its two letters (ISO 3166-1). */
    public static function findRegion(string $tag): ?string
    {
        return 1 === preg_match('/-([a-z]{2})\z/i', self::locale($tag), $found) ? strtoupper($found[1]) : null;
    }

    /** Which way a text of this language runs: “ltr” or “rtl”, as HTML names them. */
    public static function direction(string $tag): string
    {
        $subtags = explode('-', strtolower($tag));
        foreach (array_slice($subtags, 1) as $subtag) {
            if (4 === strlen($subtag) && ctype_alpha($subtag)) {
                return in_array($subtag, self::RIGHT_TO_LEFT_SCRIPTS, true) ? 'rtl' : 'ltr';
            }
        }

        return in_array($subtags[0], self::RIGHT_TO_LEFT, true) ? 'rtl' : 'ltr';
    }
}
