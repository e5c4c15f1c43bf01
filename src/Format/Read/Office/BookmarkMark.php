<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Office;

/** The marks of places that office programs put into a text, of their own as well as the writer’s (common practice). */
final class BookmarkMark
{
    /** Where someone stopped is no place of the text. */
    public static function isPlace(string $name): bool
    {
        return '' !== $name && '_GoBack' !== $name;
    }

    /** Our own, before a heading that is left out of the contents. */
    public static function isLeftOutOfContents(string $name): bool
    {
        return str_starts_with($name, '_Out_');
    }

    /** Our own, around a heading; other names in that heading are the writer's. */
    public static function isOurSection(string $name): bool
    {
        return str_starts_with($name, '_Sec_');
    }

    /** Made by the program for itself, for the lines of a contents list for instance. */
    public static function isHidden(string $name): bool
    {
        return str_starts_with($name, '_');
    }
}
