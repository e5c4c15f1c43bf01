<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html\Office;

/**
 * What office programs write as HTML, on the clipboard above all, is a page for the eye: items of lists are paragraphs
 * with a sign before them and their level in a style, notes are links that lead to each other. Here both are made the
 * elements that HTML has for them, before the page is read (common practice; told by the styles and links alone).
 */
final class OfficeParts
{
    /** In a style: that a paragraph is an item of a list, and at which level. */
    private const ITEM = '/-list:\s*[^;]*?\blevel([1-9])\b/i';
    /** In a style: that words are only the sign before an item. */
    private const SIGN = '/-list:\s*ignore/i';
    /** What stands as the sign of a note, in brackets or without. */
    private const NOTE_SIGN = '/\A[\[(]?(?:\d{1,4}|[ivxlcdm]{1,7}|[a-z]|[*†‡§¶]{1,3})[\])]?\z/iu';
    /** Signs that count, such as “1.”, “a)” and “(iv)”. */
    private const COUNTS = '/\A\(?([0-9]+|[a-z]+)[.)]*\z/i';

    public static function made(\DOMDocument $page): void
    {
        $root = $page->documentElement;
        if (null === $root) {
            return;
        }
        self::makeNotes($root);
        self::makeLists($root);
    }

    /** @return list<\DOMElement> as they are now, in reading order */
    private static function within(\DOMElement $element, string $name = '*'): array
    {
        return array_values(iterator_to_array($element->getElementsByTagName($name)));
    }

    private static function makeLists(\DOMElement $root): void
    {
        $run = [];
        foreach (self::within($root, 'p') as $paragraph) {
            $level = self::levelOf($paragraph);
            if ([] !== $run && (null === $level || self::before($paragraph) !== end($run)[0])) {
                self::putList($run);
                $run = [];
            }
            if (null !== $level) {
                $run[] = [$paragraph, $level];
            }
        }
        if ([] !== $run) {
            self::putList($run);
        }
    }

    private static function levelOf(\DOMElement $paragraph): ?int
    {
        $style = $paragraph->getAttribute('style');

        return 1 === preg_match(self::ITEM, $style, $found) && null !== self::signOf($paragraph)
            ? (int) $found[1]
            : null;
    }

    private static function signOf(\DOMElement $paragraph): ?\DOMElement
    {
        foreach (self::within($paragraph) as $part) {
            if (1 === preg_match(self::SIGN, $part->getAttribute('style'))) {
                return $part;
            }
        }

        return null;
    }

    /** The element that stands right before, with nothing but blanks and comments between. */
    private static function before(\DOMElement $element): ?\DOMElement
    {
        for ($node = $element->previousSibling; null !== $node; $node = $node->previousSibling) {
            if ($node instanceof \DOMElement) {
                return $node;
            }
            if ($node instanceof \DOMText && '' !== trim($node->data)) {
                return null;
            }
        }

        return null;
    }

    /** @param non-empty-list<array{\DOMElement, int}> $run items one after the other, each with its level */
    private static function putList(array $run): void
    {
        /** @var list<array{\DOMElement, int}> $open lists within one another, each with its level */
        $open = [];
        $item = null;
        foreach ($run as [$paragraph, $level]) {
            $sign = self::signOf($paragraph);
            $words = null === $sign ? '' : trim(str_replace("\u{a0}", ' ', $sign->textContent));
            $sign?->remove();
            while ([] !== $open && end($open)[1] > $level) {
                array_pop($open);
            }
            $last = end($open);
            if (false === $last || $last[1] < $level) {
                $list = self::listFor($paragraph, $words);
                if (false === $last || null === $item) {
                    $paragraph->parentNode?->insertBefore($list, $paragraph);
                } else {
                    $item->appendChild($list);
                }
                $open[] = $last = [$list, $level];
            }
            $item = self::element($paragraph, 'li');
            $last[0]->appendChild($item);
            $paragraph->removeAttribute('style');
            $item->appendChild($paragraph);
        }
    }

    private static function listFor(\DOMElement $paragraph, string $sign): \DOMElement
    {
        if (1 !== preg_match(self::COUNTS, $sign, $found) || 'o' === $sign) {
            return self::element($paragraph, 'ul');
        }
        $list = self::element($paragraph, 'ol');
        $number = $found[1];
        if (ctype_digit($number)) {
            $list->setAttribute('start', $number);
        } else {
            $isRoman = 1 === preg_match('/\A[ivx]+\z/i', $number);
            $isLower = strtolower($number) === $number;
            $list->setAttribute('type', $isRoman ? ($isLower ? 'i' : 'I') : ($isLower ? 'a' : 'A'));
        }

        return $list;
    }

    private static function element(\DOMElement $beside, string $name): \DOMElement
    {
        return $beside->ownerDocument?->createElement($name) ?:
            throw new \LogicException('An element of a page has a page.');
    }

    /** Two links that lead to each other and say the same sign are a reference and its note, which stands further on. */
    private static function makeNotes(\DOMElement $root): void
    {
        $byName = [];
        foreach (self::within($root, 'a') as $link) {
            $name = $link->getAttribute('name');
            if ('' !== $name && str_starts_with($link->getAttribute('href'), '#')) {
                $byName[$name] ??= $link;
            }
        }
        $done = [];
        foreach ($byName as $name => $reference) {
            $address = substr($reference->getAttribute('href'), 1);
            $back = $byName[$address] ?? null;
            $sign = self::noteSign($reference);
            if (
                null === $back ||
                isset($done[$name]) ||
                $back === $reference ||
                $back->getAttribute('href') !== '#' . $name ||
                null === $sign ||
                self::noteSign($back) !== $sign
            ) {
                continue;
            }
            $done[$address] = true;
            self::makeNote($reference, $back, $address);
        }
    }

    private static function noteSign(\DOMElement $link): ?string
    {
        $words = trim(str_replace("\u{a0}", ' ', $link->textContent));

        return 1 === preg_match(self::NOTE_SIGN, $words) ? trim($words, '[]()') : null;
    }

    private static function makeNote(\DOMElement $reference, \DOMElement $back, string $address): void
    {
        $note = $back->parentNode;
        while ($note instanceof \DOMElement && !in_array($note->localName, ['p', 'li', 'div', 'td'], true)) {
            $note = $note->parentNode;
        }
        if (!($note instanceof \DOMElement) || 'td' === $note->localName) {
            return;
        }
        // A note of several paragraphs stands in an element of its own.
        $around = $note->parentNode;
        if ($around instanceof \DOMElement && 'div' === $around->localName && $around->firstElementChild === $note) {
            $isAlone =
                [] ===
                array_filter(
                    self::within($around, 'a'),
                    static fn(\DOMElement $link): bool => $link !== $back &&
                        $link->hasAttribute('name') &&
                        str_starts_with($link->getAttribute('href'), '#'),
                );
            $note = $isAlone ? $around : $note;
        }
        self::takeLineBefore($note);
        $reference->setAttribute('role', 'doc-noteref');
        $reference->removeAttribute('name');
        $note->setAttribute('role', 'doc-footnote');
        $note->setAttribute('id', $address);
        $back->setAttribute('role', 'doc-backlink');
        $back->removeAttribute('name');
    }

    /** The line that parts notes from the text is drawn by whoever shows them. */
    private static function takeLineBefore(\DOMElement $note): void
    {
        for ($before = self::before($note); null !== $before; $before = self::before($note)) {
            if (!in_array($before->localName, ['hr', 'br'], true)) {
                return;
            }
            $before->parentNode?->removeChild($before);
        }
    }
}
