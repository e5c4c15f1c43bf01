<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

use Stemmata\Core\CoreException;
use Stemmata\Core\Link\BookmarkName;

final class InvalidBody extends \InvalidArgumentException implements CoreException
{
    public static function unknownNode(string $type): self
    {
        return new self(sprintf('The text holds a part of an unknown kind: “%s”.', self::shown($type)));
    }

    public static function unknownMark(string $type, string $in): self
    {
        return new self(sprintf('The text holds “%s” where %s cannot carry it.', self::shown($type), self::shown($in)));
    }

    public static function wrongContent(string $type): self
    {
        return new self(sprintf('The text holds a %s with parts that cannot stand in it.', self::shown($type)));
    }

    public static function wrongAttribute(string $type, string $attribute): self
    {
        return new self(sprintf('The text holds a %s with a wrong value for “%s”.', self::shown($type), self::shown($attribute)));
    }

    public static function bookmarkName(): self
    {
        return new self(sprintf('The text holds a bookmark whose name cannot be used: a name begins with a letter; letters, digits and underscores follow; at most %d, and no spaces.', BookmarkName::MAX_LENGTH));
    }

    public static function headingTooLong(int $bytes): self
    {
        return new self(sprintf('A heading holds at most %s bytes; this one is a text.', number_format($bytes)));
    }

    public static function malformed(): self
    {
        return new self('The text is not in the form that a section is kept in.');
    }

    public static function tooDeep(int $limit): self
    {
        return new self(sprintf('The text is nested more than %d deep.', $limit));
    }

    private static function shown(string $value): string
    {
        return mb_strcut(mb_scrub($value), 0, 40);
    }
}
