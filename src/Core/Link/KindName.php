<?php

declare(strict_types=1);

namespace Stemmata\Core\Link;

/** By which a kind of the writer’s own is known: in texts, in a style sheet, as a class of web pages. */
final class KindName
{
    public const PATTERN = '[a-z][a-z0-9-]{0,39}';
    /** What stands before it where others have names as well. */
    public const PREFIX = 'kind-';

    public static function isValid(string $name): bool
    {
        return 1 === preg_match('/\A' . self::PATTERN . '\z/', $name);
    }

    /** What one is called of which only the name is known. */
    public static function label(string $name): string
    {
        return ucfirst(strtr($name, '-', ' '));
    }

    /** The kind that classes of a web page tell, if any. */
    public static function inClasses(string $classes): ?string
    {
        return 1 === preg_match('/(?:\A|\s)' . self::PREFIX . '(' . self::PATTERN . ')(?:\s|\z)/', $classes, $match)
            ? $match[1]
            : null;
    }
}
