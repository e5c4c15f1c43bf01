<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/**
 * Words with what joins their halves, as in “keeper’s” and “1.5”; what is written without blanks, sign by sign; blanks; and
 * whatever stands around words. For comparing texts; words are counted by `Counting\WordCount`.
 */
final class WordTokens
{
    private const PATTERN = '/
        [\p{Han}\p{Hiragana}\p{Katakana}]
        | (?: (?![\p{Han}\p{Hiragana}\p{Katakana}]) [\p{L}\p{M}\p{N}] )++
          (?: [\'’.,\p{Pd}] (?: (?![\p{Han}\p{Hiragana}\p{Katakana}]) [\p{L}\p{M}\p{N}] )++ )*+
        | \s++
        | [^\s\p{L}\p{M}\p{N}]++
        | .
        /ux';

    /** @return list<string> put together again they are the text */
    public static function of(string $text): array
    {
        return '' === $text ? [] : (false === preg_match_all(self::PATTERN, $text, $found) ? [$text] : $found[0]);
    }
}
