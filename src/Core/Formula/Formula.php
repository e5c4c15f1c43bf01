<?php

declare(strict_types=1);

namespace Stemmata\Core\Formula;

/** The source of a formula, kept whole: TeX as mathematicians type it, or MathML, which begins with “<math”. */
final class Formula
{
    public const MAX_BYTES = 32_768;

    public static function isSound(string $source): bool
    {
        return strlen($source) <= self::MAX_BYTES &&
            mb_check_encoding($source, 'UTF-8') &&
            1 !== preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', $source) &&
            (!self::isMathMl($source) || MathMl::isSound($source));
    }

    public static function isMathMl(string $source): bool
    {
        return str_starts_with($source, '<math');
    }

    /** How it stands in a list or a plain text. */
    public static function words(string $source): string
    {
        return self::isMathMl($source) ? MathMl::words($source) : $source;
    }
}
