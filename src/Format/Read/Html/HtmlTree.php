<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

/** Looks into an element, without the live lists of the DOM. */
final class HtmlTree
{
    /** @return list<\DOMElement> every element within, in reading order; of one name only where that is asked for */
    public static function within(\DOMElement $element, ?string $name = null): array
    {
        $found = [];
        foreach (self::walk($element) as $next) {
            if (null === $name || $name === $next->localName) {
                $found[] = $next;
            }
        }

        return $found;
    }

    /** @return \Generator<int, \DOMElement> every element within, in reading order */
    public static function walk(\DOMElement $element): \Generator
    {
        $pending = [$element->firstElementChild];
        while ([] !== $pending) {
            $next = array_pop($pending);
            if (null !== $next) {
                yield $next;
                $pending[] = $next->nextElementSibling;
                $pending[] = $next->firstElementChild;
            }
        }
    }

    /** @return list<\DOMElement> the place that an element names, as an element of its own; empty when it names none */
    public static function place(\DOMElement $element): array
    {
        $isLink = 'a' === $element->localName;
        $name = $element->getAttribute('id') ?: ($isLink ? $element->getAttribute('name') : '');
        $place = $element->ownerDocument?->createElement($isLink && !$element->hasAttribute('href') ? 'a' : 'span');
        if ('' === $name || null === $place) {
            return [];
        }
        $place->setAttribute('id', $name);

        return [$place];
    }

    public static function first(\DOMElement $element, string $name): ?\DOMElement
    {
        return self::within($element, $name)[0] ?? null;
    }
}
