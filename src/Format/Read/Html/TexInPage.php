<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Formula\Formula;

/** TeX that a page leaves to a script: in elements of the class `math`, between its usual signs (common practice). */
final class TexInPage
{
    public static function findSource(\DOMElement $element): ?string
    {
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
            1 !== preg_match('/\A(?:\\\\\((.+)\\\\\)|\\\\\[(.+)\\\\\]|\$\$(.+)\$\$|\$(.+)\$)\z/s', $text, $match)
        ) {
            return null;
        }
        $tex = trim($match[count($match) - 1]);

        return '' !== $tex && Formula::isSound($tex) && !Formula::isMathMl($tex) ? $tex : null;
    }

    /** Whether a formula stands on a line of its own. */
    public static function isDisplay(\DOMElement $element): bool
    {
        return 'block' === $element->getAttribute('display') || self::hasClass($element, 'display');
    }

    private static function hasClass(\DOMElement $element, string $class): bool
    {
        return in_array($class, explode(' ', $element->getAttribute('class')), true);
    }
}
