<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

/**
 * Notes of a page, by the address that a reference leads to. References and notes are known by the roles of DPUB-ARIA
 * 1.1 or
 * the types of the EPUB 3 Structural Semantics Vocabulary; a note may also be any element that such a reference leads
 * to.
 */
final readonly class Footnotes
{
    /**
     * @param array<string, \DOMElement> $byAddress
     * @param array<string, true>         $referred addresses that a reference leads to
     */
    private function __construct(private array $byAddress, private array $referred) {}

    public static function in(\DOMDocument $page): self
    {
        $path = new \DOMXPath($page);
        $byId = [];
        foreach ($path->query('//*[@id]') ?: [] as $element) {
            if ($element instanceof \DOMElement) {
                $byId[$element->getAttribute('id')] ??= $element;
            }
        }
        $notes = [];
        foreach ($path->query('//a[@href]') ?: [] as $link) {
            $note =
                $link instanceof \DOMElement && self::isReference($link) ? $byId[self::fragment($link)] ?? null : null;
            if (null !== $note) {
                $notes['#' . self::fragment($link)] = $note;
            }
        }
        $referred = array_fill_keys(array_keys($notes), true);
        foreach ($byId as $id => $element) {
            if (self::hasRole($element, ['doc-endnote', 'doc-footnote', 'footnote', 'endnote', 'rearnote'])) {
                $notes['#' . $id] = $element;
            }
        }

        return new self($notes, $referred);
    }

    public static function isReference(\DOMElement $element): bool
    {
        return 'a' === $element->localName &&
            (self::hasRole($element, ['doc-noteref', 'noteref']) ||
                self::hasClass($element, ['footnote-ref', 'noteref']));
    }

    public static function isBacklink(\DOMElement $element): bool
    {
        return self::hasRole($element, ['doc-backlink', 'backlink']) || self::hasClass($element, ['footnote-back']);
    }

    /** The note that an element refers to, when it is a reference. */
    public function findFor(\DOMElement $reference): ?\DOMElement
    {
        return self::isReference($reference) ? $this->byAddress['#' . self::fragment($reference)] ?? null : null;
    }

    /** The place where notes are gathered, or a note itself: read where it is referred to, and not again. */
    public function isNotes(\DOMElement $element): bool
    {
        return [] !== $this->byAddress &&
            (self::hasRole($element, ['doc-endnotes', 'footnotes', 'endnotes', 'rearnotes']) ||
                self::hasClass($element, ['footnotes']) ||
                in_array($element, $this->byAddress, true));
    }

    /** @return list<\DOMElement> notes in that part of the page, or itself one, that no reference leads to */
    public function ofNothing(\DOMElement $part): array
    {
        return array_values(
            array_filter(
                array_diff_key($this->byAddress, $this->referred),
                static fn(\DOMElement $note): bool => in_array($note, [$part, ...HtmlTree::within($part)], true),
            ),
        );
    }

    /** @param list<string> $roles */
    private static function hasRole(\DOMElement $element, array $roles): bool
    {
        return [] !==
            array_intersect(
                $roles,
                explode(' ', $element->getAttribute('role') . ' ' . $element->getAttribute('epub:type')),
            );
    }

    /**
     * Older pages know notes by class only (common practice).
     *
     * @param list<string> $classes
     */
    private static function hasClass(\DOMElement $element, array $classes): bool
    {
        return [] !== array_intersect($classes, explode(' ', $element->getAttribute('class')));
    }

    private static function fragment(\DOMElement $link): string
    {
        return substr((string) strstr($link->getAttribute('href'), '#'), 1);
    }
}
