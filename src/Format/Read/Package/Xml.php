<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Package;

/**
 * Short words for looking into the markup of office formats. Names are compared without their namespaces, which the
 * strict and the transitional form of ECMA-376 do not share.
 */
final class Xml
{
    /** @return iterable<\DOMElement> */
    public static function children(\DOMNode $of): iterable
    {
        for ($child = $of->firstChild; null !== $child; $child = $child->nextSibling) {
            if ($child instanceof \DOMElement) {
                yield $child;
            }
        }
    }

    public static function child(?\DOMNode $of, string $name): ?\DOMElement
    {
        for ($child = $of?->firstChild; null !== $child; $child = $child->nextSibling) {
            if ($child instanceof \DOMElement && $child->localName === $name) {
                return $child;
            }
        }

        return null;
    }

    public static function descendant(\DOMElement $of, string $name): ?\DOMElement
    {
        return $of->getElementsByTagNameNS('*', $name)->item(0);
    }

    /** The value of an attribute whatever its namespace, or null when it is not there. */
    public static function attribute(?\DOMElement $of, string $name): ?string
    {
        foreach ($of->attributes ?? [] as $attribute) {
            if ($attribute->localName === $name) {
                return $attribute->value;
            }
        }

        return null;
    }

    public static function value(?\DOMNode $of, string $child): ?string
    {
        return self::attribute(self::child($of, $child), 'val');
    }

    public static function integer(?\DOMNode $of, string $child): ?int
    {
        $value = self::value($of, $child);

        return null !== $value && is_numeric($value) ? (int) $value : null;
    }

    /**
     * A toggle such as w:b: on when it is there and does not say off; null when it is not there (ECMA-376-1, 17.3.2).
     */
    public static function toggle(?\DOMNode $of, string $child): ?bool
    {
        $element = self::child($of, $child);

        return null === $element
            ? null
            : !in_array(self::attribute($element, 'val'), ['0', 'false', 'off', 'none'], true);
    }
}
