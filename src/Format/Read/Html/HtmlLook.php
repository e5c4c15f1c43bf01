<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Text\Look;

/** How a paragraph looks by the styles and attributes that stand on it and around it. */
final class HtmlLook
{
    /**
     * Half points; browsers show text at 16 pixels, which is 12 points (HTML Living Standard, 15.3.3, and common
     * practice).
     */
    private const BODY = 24;
    private const NAMED = [
        'xx-small' => 14,
        'x-small' => 15,
        'small' => 20,
        'medium' => 24,
        'large' => 27,
        'x-large' => 36,
        'xx-large' => 48,
        'smaller' => 20,
        'larger' => 29,
    ];
    /** <font size>, HTML Living Standard 15.3.4. */
    private const FONT = ['1' => 15, '2' => 20, '3' => 24, '4' => 27, '5' => 36, '6' => 48, '7' => 72];

    /** Style sheets of the page are not applied; what stands on the elements is. */
    public static function of(\DOMElement $element): Look
    {
        $size = self::BODY;
        $align = null;
        $caps = false;
        for (
            $around = $element;
            $around instanceof \DOMElement && 'body' !== $around->localName;
            $around = $around->parentNode
        ) {
            $style = strtolower($around->getAttribute('style'));
            $align ??= self::align($around, $style);
            $caps = $caps || self::isInCapitals($style);
            $size = self::BODY === $size ? self::size($around, $style) : $size;
        }
        // One run that is all there is speaks for the paragraph.
        for ($within = self::onlyChild($element); null !== $within; $within = self::onlyChild($within)) {
            $style = strtolower($within->getAttribute('style'));
            $inner = self::size($within, $style);
            $size = self::BODY === $inner ? $size : $inner;
            $caps = $caps || self::isInCapitals($style);
        }
        $class = $element->getAttribute('class');

        return new Look(
            $size,
            in_array($align, ['center', 'right'], true) ? $align : null,
            $caps,
            style: mb_strcut($class, 0, 200),
        );
    }

    private static function onlyChild(\DOMElement $element): ?\DOMElement
    {
        $child = $element->firstElementChild;
        $isOnly =
            null !== $child &&
            null === $child->nextElementSibling &&
            trim($child->textContent) === trim($element->textContent);

        return $isOnly && !HtmlBlock::isBlock($child) ? $child : null;
    }

    private static function isInCapitals(string $style): bool
    {
        return 1 === preg_match('/text-transform:\s*uppercase/', $style);
    }

    private static function align(\DOMElement $element, string $style): ?string
    {
        $align = 'center' === $element->localName ? 'center' : strtolower($element->getAttribute('align'));
        if (1 === preg_match('/text-align:\s*(center|right|left|justify)/', $style, $match)) {
            $align = $match[1];
        }

        return in_array($align, ['center', 'right', 'left', 'justify'], true) ? $align : null;
    }

    private static function size(\DOMElement $element, string $style): int
    {
        if (1 === preg_match('/font-size:\s*(?:([\d.]+)(pt|px|em|rem|%)|([a-z-]+))/', $style, $match)) {
            $number = (float) $match[1];

            return isset($match[3])
                ? self::NAMED[$match[3]] ?? self::BODY
                : (int) round(
                    match ($match[2]) {
                        'pt' => 2 * $number,
                        'px' => 1.5 * $number,
                        '%' => (self::BODY * $number) / 100,
                        default => self::BODY * $number,
                    },
                );
        }

        return match ($element->localName) {
            'font' => self::FONT[$element->getAttribute('size')] ??
                ('' === $element->getAttribute('size')
                    ? self::BODY
                    : (str_starts_with($element->getAttribute('size'), '+')
                        ? 30
                        : self::BODY)),
            'big' => 29,
            'small' => 20,
            default => self::BODY,
        };
    }
}
