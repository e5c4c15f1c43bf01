<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** Words as they stand in an address: small letters and digits, hyphens for all else. */
final class Slug
{
    public static function of(string $words): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{M}\p{N}_]+/u', '-', mb_strtolower(mb_scrub($words))), '-');
    }
}
