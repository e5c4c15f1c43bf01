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

    /** The nearest allowed name: other characters become underscores, and a name that begins otherwise gets an “a” before it. */
    public static function madeFrom(string $words): string
    {
        $name = trim((string) preg_replace('/[^\p{L}\p{M}\p{Nd}]+/u', '_', mb_scrub($words)), '_');
        if (1 !== preg_match('/\A\p{L}/u', $name)) {
            $name = 'a'.$name;
        }

        return mb_substr($name, 0, self::MAX_LENGTH);
    }

    /**
     * The name itself, or with the first number after it that makes it free.
     *
     * @param \Closure(string): bool $isTaken
     */
    public static function free(string $name, \Closure $isTaken): string
    {
        $candidate = $name;
        for ($number = 2; $isTaken($candidate); ++$number) {
            $candidate = mb_substr($name, 0, self::MAX_LENGTH - 1 - strlen((string) $number)).'_'.$number;
        }

        return $candidate;
    }
}
