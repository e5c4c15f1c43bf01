<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Outline\Outline;

/** How a written heading says that it bears no number, is an appendix, or is left out of the contents. */
final class HeadingFlags
{
    private const CLASSES = [
        'unnumbered' => Outline::UNNUMBERED,
        'left-out' => Outline::LEFT_OUT_OF_CONTENTS,
        'appendix' => Outline::APPENDIX,
    ];

    /** @param int $flags bits of `Outline` */
    public static function classes(int $flags): string
    {
        return implode(
            ' ',
            array_keys(array_filter(self::CLASSES, static fn(int $bit): bool => 0 !== ($flags & $bit))),
        );
    }

    public static function ofClasses(string $classes): int
    {
        return array_sum(array_intersect_key(self::CLASSES, array_flip(explode(' ', $classes))));
    }
}
