<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** What the items of an ordered list are counted with, where it is not decimal numbers; named as in ECMA-376-1, 17.18.59. */
enum ListStyle: string
{
    case LowerLetter = 'lowerLetter';
    case UpperLetter = 'upperLetter';
    case LowerRoman = 'lowerRoman';
    case UpperRoman = 'upperRoman';

    /** The `type` of HTML’s `ol` (HTML standard, 4.4.5). */
    public function htmlType(): string
    {
        return match ($this) {
            self::LowerLetter => 'a',
            self::UpperLetter => 'A',
            self::LowerRoman => 'i',
            self::UpperRoman => 'I',
        };
    }

    public static function ofHtmlType(string $type): ?self
    {
        foreach (self::cases() as $style) {
            if ($style->htmlType() === $type) {
                return $style;
            }
        }

        return null;
    }

    public static function of(mixed $value): ?self
    {
        return is_string($value) ? self::tryFrom($value) : null;
    }
}
