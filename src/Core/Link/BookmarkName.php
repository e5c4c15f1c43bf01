<?php

declare(strict_types=1);

namespace Stemmata\Core\Link;

/** Begins with a letter; letters, digits and underscores follow; at most 40 characters (common practice). */
final class BookmarkName
{
    public const MAX_LENGTH = 40;

    public static function isValid(string $name): bool
    {
        return 1 === preg_match('/\A\p{L}[\p{L}\p{M}\p{Nd}_]{0,39}\z/u', $name);
    }

    /**
     * The nearest allowed name: other characters become underscores, and a name that begins otherwise gets an “a”
     * before it.
     */
    public static function madeFrom(string $words): string
    {
        $name = trim((string) preg_replace('/[^\p{L}\p{M}\p{Nd}]+/u', '_', mb_scrub($words)), '_');
        if (1 !== preg_match('/\A\p{L}/u', $name)) {
            $name = 'a' . $name;
        }

        return mb_substr($name, 0, self::MAX_LENGTH);
    }

    /** Numbers tried one by one; who needs more names than that for one has a thousand of them. */
    private const TRIED_IN_TURN = 20;

    /**
     * The name itself, or with a number after it that makes it free: the first up to 20, a near one beyond.
     *
     * @param \Closure(string): bool $isTaken
     */
    public static function free(string $name, \Closure $isTaken): string
    {
        if (!$isTaken($name)) {
            return $name;
        }
        for ($number = 2; $number <= self::TRIED_IN_TURN; ++$number) {
            if (!$isTaken(self::numbered($name, $number))) {
                return self::numbered($name, $number);
            }
        }
        while ($isTaken(self::numbered($name, $number))) {
            $number *= 2;
        }
        $taken = intdiv($number, 2);
        while ($number - $taken > 1) {
            $between = intdiv($taken + $number, 2);
            [$taken, $number] = $isTaken(self::numbered($name, $between)) ? [$between, $number] : [$taken, $between];
        }

        return self::numbered($name, $number);
    }

    private static function numbered(string $name, int $number): string
    {
        return mb_substr($name, 0, self::MAX_LENGTH - 1 - strlen((string) $number)) . '_' . $number;
    }
}
