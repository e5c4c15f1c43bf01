<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

use Stemmata\Core\CoreException;

/** A style sheet that cannot be read; the sentence names the place. */
final class InvalidStyleSheet extends \DomainException implements CoreException
{
    public static function malformed(): self
    {
        return new self('This is no style sheet: it is not in the form that docs/style-sheet.md describes.');
    }

    public static function unknownEntry(string $name): self
    {
        return new self(
            sprintf('A style sheet has no entry “%s”; it has name, about, basedOn, kinds and pages.', self::cut($name)),
        );
    }

    public static function name(): self
    {
        return new self('A style sheet needs a name of at most 80 characters.');
    }

    public static function about(): self
    {
        return new self('What a style sheet is for is said in at most 200 characters.');
    }

    public static function unknownBase(string $name): self
    {
        return new self(sprintf('There is no house style “%s” for this style sheet to be based on.', self::cut($name)));
    }

    public static function unknownKind(string $kind): self
    {
        return new self(
            sprintf(
                'There is no kind of text “%s”; one of your own needs a “label”, and a name of at most 40 small letters, digits and hyphens.',
                self::cut($kind),
            ),
        );
    }

    public static function malformedKind(string $kind): self
    {
        return new self(sprintf('What is said of “%s” is not a list of properties.', self::cut($kind)));
    }

    public static function unknownProperty(string $kind, string $property): self
    {
        return new self(sprintf('“%s” of “%s” is no property.', self::cut($property), self::cut($kind)));
    }

    public static function unknownByHand(string $property): self
    {
        return new self(sprintf('“%s” is no property of a look.', self::cut($property)));
    }

    public static function notByHand(StyleProperty $property, bool $ofWords): self
    {
        return new self(
            sprintf('“%s” cannot be said of one %s.', $property->value, $ofWords ? 'stretch of words' : 'paragraph'),
        );
    }

    public static function wrongByHand(StyleProperty $property, string $value): self
    {
        return new self(
            sprintf(
                '“%s” cannot be “%s”: it can be %s.',
                $property->value,
                self::cut($value),
                StyleProperty::Size === $property ? 'from 4pt to 144pt' : $property->allowed(),
            ),
        );
    }

    public static function notOfKind(string $kind, StyleProperty $property): self
    {
        return new self(sprintf('“%s” cannot be said of “%s”.', $property->value, self::cut($kind)));
    }

    public static function wrongValue(string $kind, StyleProperty $property, mixed $value): self
    {
        return new self(
            sprintf(
                '“%s” of “%s” cannot be %s: it is %s.',
                $property->value,
                self::cut($kind),
                is_scalar($value)
                    ? '“' . self::cut(is_bool($value) ? ($value ? 'true' : 'false') : (string) $value) . '”'
                    : 'that',
                $property->allowed(),
            ),
        );
    }

    public static function restsOn(string $kind): self
    {
        return new self(
            sprintf('“restsOn” of “%s” names no other kind, or one that rests on it itself.', self::cut($kind)),
        );
    }

    public static function label(string $kind): self
    {
        return new self(
            sprintf('“label” of “%s” is what a kind of your own is called, in 1 to 60 characters.', self::cut($kind)),
        );
    }

    public static function of(string $kind): self
    {
        return new self(sprintf('“of” of “%s” is either “paragraphs” or “words”.', self::cut($kind)));
    }

    public static function tooMany(): self
    {
        return new self('A style sheet holds at most 200 kinds of your own.');
    }

    private static function cut(string $words): string
    {
        $clean = mb_scrub($words, 'UTF-8');

        return mb_strlen($clean) > 60 ? mb_substr($clean, 0, 60) . '…' : $clean;
    }
}
