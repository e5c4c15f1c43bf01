<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** Which way a line runs: as its first letter does (Unicode Bidirectional Algorithm, UAX #9, rules P2 and P3). */
final class Direction
{
    /** Scripts that run from right to left, as far as PCRE knows them by name. */
    private const RIGHT_TO_LEFT = '\p{Arabic}\p{Hebrew}\p{Syriac}\p{Thaana}\p{Nko}\p{Samaritan}\p{Mandaic}\p{Adlam}\p{Hanifi_Rohingya}';

    public static function isRightToLeft(string $line): bool
    {
        return 1 === preg_match('/\A\P{L}*[' . self::RIGHT_TO_LEFT . ']/u', $line);
    }
}
