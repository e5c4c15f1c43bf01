<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

use Stemmata\Core\CoreException;
use Stemmata\Core\Link\BookmarkName;

final class InvalidBody extends \InvalidArgumentException implements CoreException
{
    public static function unknownNode(string $type): self
    {
        return new self(
            sprintf('This version of Stemmata does not know a part of the text: “%s”.', self::shown($type)),
        );
    }

    public static function unknownMark(string $type, string $in): self
    {
        return new self(
            sprintf('“%s” cannot be used in that part of the text (%s).', self::shown($type), self::shown($in)),
        );
    }

    public static function wrongContent(string $type): self
    {
        return new self(sprintf('A part of the text (%s) holds what cannot stand in it.', self::shown($type)));
    }

    public static function wrongAttribute(string $type, string $attribute): self
    {
        return new self(
            match ($type . ' ' . $attribute) {
                'link href', 'crossReference href' => 'That address is not one that a link can lead to.',
                'link title' => 'The hint of a link is too long; 4,096 bytes are the most.',
                'figure src',
                'image src'
                    => 'That picture cannot be kept: it is damaged, or of a kind that browsers do not show.',
                'figure alt', 'image alt' => 'The description of a picture is too long; 4,096 bytes are the most.',
                'codeBlock language' => 'The name of the language of a piece of code is too long.',
                'contents from', 'contents to' => 'Contents go from a level to another, from 1 to 9.',
                'contents title' => 'The title of the contents is too long.',
                default => sprintf(
                    'A part of the text cannot be kept as it is (%s, %s).',
                    self::shown($type),
                    self::shown($attribute),
                ),
            },
        );
    }

    public static function bookmarkName(): self
    {
        return new self(
            sprintf(
                'That name cannot be used for a bookmark: a name begins with a letter; letters, digits and underscores follow; at most %d, and no spaces.',
                BookmarkName::MAX_LENGTH,
            ),
        );
    }

    public static function headingTooLong(int $bytes): self
    {
        return new self(sprintf('A heading holds at most %s bytes; this one is a text.', number_format($bytes)));
    }

    public static function malformed(): self
    {
        return new self('That is not a text that can be kept.');
    }

    public static function tooDeep(int $limit): self
    {
        return new self(sprintf('Lists and quotations can stand in each other %d deep, and no deeper.', $limit));
    }

    private static function shown(string $value): string
    {
        return mb_strcut(mb_scrub($value), 0, 40);
    }
}
