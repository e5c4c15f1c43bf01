<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

/** Links that generators of documentation put into headings, so that readers can point at them (common practice). */
final class HeadingLink
{
    /** Paragraph, section and number sign, chain, anchor, and the private letters of fonts with drawings. */
    private const SIGNS = '/\A(?:[¶§#⚓🔗⛓∞]|\x{FE0F}|[\x{E000}-\x{F8FF}]|\s|(?:perma)?link(?: to this (?:heading|headline|section|definition))?|anchor)*\z/iu';
    private const CLASSES = [
        'headerlink',
        'header-link',
        'heading-link',
        'anchor',
        'anchor-link',
        'anchorjs-link',
        'permalink',
        'hash-link',
        'heading-anchor',
        'header-anchor',
        'self-link',
        'selflink',
    ];

    /** A sign to point at the heading by, and no word of it. */
    public static function isSign(\DOMElement $link): bool
    {
        $words = trim($link->textContent);
        if (!$link->hasAttribute('href') || ('' === $words && null !== HtmlTree::first($link, 'img'))) {
            return false;
        }
        $isCalledSo = [] !== array_intersect(self::CLASSES, explode(' ', strtolower($link->getAttribute('class'))));
        $isWithin = str_contains($link->getAttribute('href'), '#');

        return $isWithin &&
            1 === preg_match(self::SIGNS, $words) &&
            ('' !== $words || $isCalledSo || $link->hasChildNodes());
    }

    /** A heading that is a link to itself as a whole: its words are words, the link says nothing. */
    public static function leadsToItself(\DOMElement $link): bool
    {
        if ('a' !== $link->localName || !str_starts_with($link->getAttribute('href'), '#')) {
            return false;
        }
        $place = rawurldecode(substr($link->getAttribute('href'), 1));
        $heading = self::findHeading($link);
        if ('' === $place || null === $heading || trim($heading->textContent) !== trim($link->textContent)) {
            return false;
        }
        // The place may also be the section right around the heading.
        foreach ([$heading->parentNode, $heading, ...HtmlTree::within($heading)] as $named) {
            if (
                $named instanceof \DOMElement &&
                in_array($place, [$named->getAttribute('id'), $named->getAttribute('name')], true)
            ) {
                return true;
            }
        }

        return false;
    }

    private static function findHeading(\DOMElement $within): ?\DOMElement
    {
        for ($around = $within->parentNode; $around instanceof \DOMElement; $around = $around->parentNode) {
            if (
                1 === preg_match('/\Ah[1-6]\z/', (string) $around->localName) ||
                'heading' === $around->getAttribute('role')
            ) {
                return $around;
            }
        }

        return null;
    }
}
