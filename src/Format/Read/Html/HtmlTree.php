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
        $pending = [$element->firstElementChild];
        while ([] !== $pending) {
            $next = array_pop($pending);
            if (null === $next) {
                continue;
            }
            if (null === $name || $name === $next->localName) {
                $found[] = $next;
            }
            $pending[] = $next->nextElementSibling;
            $pending[] = $next->firstElementChild;
        }

        return $found;
    }

    public static function first(\DOMElement $element, string $name): ?\DOMElement
    {
        return self::within($element, $name)[0] ?? null;
    }
}
