<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Formula\Formula;

/**
 * TeX that a page leaves to a script: in elements of the class `math`, between its usual signs, or in a script element of
 * a kind that no browser runs (common practice both).
 */
final class TexInPage
{
    public static function findSource(\DOMElement $element): ?string
    {
        if (self::isScript($element)) {
            return self::sound($element->textContent);
        }
        if (
            !in_array($element->localName, ['span', 'div', 'code'], true) ||
            !self::hasClass($element, 'math') ||
            null !== HtmlTree::first($element, 'math')
        ) {
            return null;
        }
        $text = trim($element->textContent);
        if (
            null !== $element->firstElementChild ||
            1 !== preg_match('/\A(?:\\\\\((.+)\\\\\)|\\\\\[(.+)\\\\\]|\$\$(.+)\$\$|\$([^$]+)\$)\z/s', $text, $match)
        ) {
            return null;
        }

        return self::sound($match[count($match) - 1]);
    }

    /** Whether a formula stands on a line of its own. */
    public static function isDisplay(\DOMElement $element): bool
    {
        return 'block' === $element->getAttribute('display') ||
            self::hasClass($element, 'display') ||
            (self::isScript($element) && str_contains($element->getAttribute('type'), 'mode=display'));
    }

    private static function isScript(\DOMElement $element): bool
    {
        return 'script' === $element->localName &&
            1 === preg_match('~\Amath/tex(?:;|\z)~', $element->getAttribute('type'));
    }

    private static function sound(string $tex): ?string
    {
        $tex = trim($tex);

        return '' !== $tex && Formula::isSound($tex) && !Formula::isMathMl($tex) ? $tex : null;
    }

    private static function hasClass(\DOMElement $element, string $class): bool
    {
        return in_array($class, explode(' ', $element->getAttribute('class')), true);
    }
}
