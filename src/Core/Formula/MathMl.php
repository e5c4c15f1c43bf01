<?php

declare(strict_types=1);

namespace Stemmata\Core\Formula;

/**
 * Formulas in MathML, in the elements that say what a formula is (MathML Core, W3C): none of them runs, leads or fetches
 * anything.
 */
final class MathMl
{
    public const NAMESPACE = 'http://www.w3.org/1998/Math/MathML';
    public const ELEMENTS = [
        'math',
        'menclose',
        'mfenced',
        'mfrac',
        'mi',
        'mmultiscripts',
        'mn',
        'mo',
        'mover',
        'mpadded',
        'mphantom',
        'mprescripts',
        'mroot',
        'mrow',
        'ms',
        'mspace',
        'msqrt',
        'mstyle',
        'msub',
        'msubsup',
        'msup',
        'mtable',
        'mtd',
        'mtext',
        'mtr',
        'munder',
        'munderover',
        'none',
    ];
    public const ATTRIBUTES = [
        'accent',
        'accentunder',
        'close',
        'columnalign',
        'columnspan',
        'dir',
        'displaystyle',
        'fence',
        'form',
        'largeop',
        'linethickness',
        'lspace',
        'mathvariant',
        'maxsize',
        'minsize',
        'movablelimits',
        'notation',
        'open',
        'rowspan',
        'rspace',
        'scriptlevel',
        'separator',
        'separators',
        'stretchy',
        'symmetric',
        'width',
    ];
    /** Elements within each other. */
    private const DEEPEST = 80;

    /** Whether a source is MathML with these elements and attributes only. */
    public static function isSound(string $source): bool
    {
        $math = self::findRoot($source);

        return null !== $math && self::isKnown($math, 0);
    }

    /**
     * The formula without annotations, looks and whatever else is no part of it; null when nothing is left. Whether it
     * stands on a line of its own is for the text to say.
     */
    public static function cleaned(\DOMElement $math): ?string
    {
        $content = self::contentOf($math, 0);

        return '' === $content ? null : sprintf('<math xmlns="%s">%s</math>', self::NAMESPACE, $content);
    }

    /** The signs of a formula in their order, for lists and for counting. */
    public static function words(string $source): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', self::findRoot($source)->textContent ?? ''));
    }

    public static function findRoot(string $source): ?\DOMElement
    {
        $document = new \DOMDocument();
        // A document type could name files and grow without end.
        $isRead =
            !str_contains($source, '<!') &&
            @$document->loadXML($source, \LIBXML_NONET | \LIBXML_NOERROR | \LIBXML_NOWARNING);

        return $isRead && 'math' === $document->documentElement?->localName ? $document->documentElement : null;
    }

    private static function isKnown(\DOMElement $element, int $depth): bool
    {
        if ($depth > self::DEEPEST || !in_array($element->localName, self::ELEMENTS, true)) {
            return false;
        }
        foreach ($element->attributes as $attribute) {
            if (!in_array($attribute->nodeName, self::ATTRIBUTES, true)) {
                return false;
            }
        }
        foreach ($element->childNodes as $child) {
            $isSound = $child instanceof \DOMElement ? self::isKnown($child, $depth + 1) : $child instanceof \DOMText;
            if (!$isSound) {
                return false;
            }
        }

        return true;
    }

    private static function contentOf(\DOMElement $element, int $depth): string
    {
        $content = '';
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMText) {
                $text = trim((string) preg_replace('/[\s\x00-\x1F]+/u', ' ', $child->data));
                // Blanks between elements are the markup's.
                $content .=
                    '' === $text || null !== $element->firstElementChild
                        ? ''
                        : htmlspecialchars($text, \ENT_XML1 | \ENT_NOQUOTES);
            } elseif ($child instanceof \DOMElement) {
                $content .= self::written($child, $depth + 1);
            }
        }

        return $content;
    }

    private static function written(\DOMElement $element, int $depth): string
    {
        $name = (string) $element->localName;
        if ($depth > self::DEEPEST || in_array($name, ['annotation', 'annotation-xml', 'script', 'style'], true)) {
            return '';
        }
        if ('semantics' === $name) {
            $shown = $element->firstElementChild;

            return null === $shown ? '' : self::written($shown, $depth);
        }
        if (!in_array($name, self::ELEMENTS, true) || 'math' === $name) {
            $name = 'mrow';
        }
        $attributes = '';
        foreach (self::ATTRIBUTES as $attribute) {
            if ($element->hasAttribute($attribute)) {
                $attributes .= sprintf(
                    ' %s="%s"',
                    $attribute,
                    htmlspecialchars(substr($element->getAttribute($attribute), 0, 100), \ENT_XML1 | \ENT_COMPAT),
                );
            }
        }

        $content = self::contentOf($element, $depth);
        // Programs put every part into a row of its own.
        $isWrapping = 'mrow' === $name && '' === $attributes && 1 === $element->childElementCount;

        return $isWrapping ? $content : sprintf('<%1$s%2$s>%3$s</%1$s>', $name, $attributes, $content);
    }
}
