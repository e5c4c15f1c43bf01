<?php

declare(strict_types=1);

namespace Stemmata\Core\Language;

/** Which characters a text may hold: those of XML 1.0 (2.2), so that every format we write can hold them too. */
final class Characters
{
    private const NONE = '/[\x00-\x08\x0B\x0C\x0E-\x1F]|\xEF\xBF[\xBE\xBF]/';

    /** @param string $text in UTF-8; control characters and what stands for no character go */
    public static function cleaned(string $text): string
    {
        return 1 === preg_match(self::NONE, $text) ? (string) preg_replace(self::NONE, '', $text) : $text;
    }
}
