<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Format\Read\Contents\FoundContents;

/**
 * Recognises contents that another program made: a navigation that says so, or a list of nothing but the page's
 * headings as links.
 */
final readonly class HtmlContents
{
    private const LEAST_LINKS = 3;

    /** @param array<string, string> $headings letters of the heading at each named place */
    private function __construct(private array $headings) {}

    public static function in(\DOMDocument $page): self
    {
        $headings = [];
        foreach (
            (new \DOMXPath($page))->query(
                '//*[self::h1 or self::h2 or self::h3 or self::h4 or self::h5 or self::h6 or @role="heading"]',
            ) ?:
            []
            as $heading
        ) {
            if (!($heading instanceof \DOMElement)) {
                continue;
            }
            $letters = self::letters($heading->textContent);
            foreach ([$heading, $heading->parentNode, ...HtmlTree::within($heading)] as $named) {
                foreach (
                    $named instanceof \DOMElement ? [$named->getAttribute('id'), $named->getAttribute('name')] : []
                    as $name
                ) {
                    $headings[$name] ??= $letters;
                }
            }
        }

        return new self($headings);
    }

    public function isMade(\DOMElement $element): bool
    {
        if (
            !in_array($element->localName, ['nav', 'div', 'section', 'ul', 'ol', 'aside'], true) ||
            HtmlBlock::isContents($element)
        ) {
            return false;
        }

        return self::isCalledSo($element) ||
            (in_array($element->localName, ['nav', 'ul', 'ol'], true) && $this->isHeadingsOnly($element));
    }

    public function found(\DOMElement $element, Surroundings $surroundings): FoundContents
    {
        $title = '';
        foreach (HtmlTree::within($element) as $each) {
            if ('a' === $each->localName || in_array($each->localName, ['ul', 'ol'], true)) {
                break;
            }
            if (1 === preg_match('/\A(?:h[1-6]|p)\z/', (string) $each->localName)) {
                $title = trim($each->textContent);
            }
        }
        $found = FoundContents::byProgram($title);
        foreach (HtmlTree::within($element, 'a') as $link) {
            $address = $surroundings->address($link->getAttribute('href'));
            if (str_starts_with($address, '#') && '' !== trim($link->textContent)) {
                $found->line(rawurldecode(substr($address, 1)), $link->textContent, self::depth($link, $element));
            }
        }

        return $found;
    }

    private static function depth(\DOMElement $link, \DOMElement $contents): int
    {
        $depth = 0;
        for ($above = $link->parentNode; null !== $above && $above !== $contents; $above = $above->parentNode) {
            $depth += 'li' === $above->localName ? 1 : 0;
        }

        return max(1, min(9, $depth));
    }

    private static function isCalledSo(\DOMElement $element): bool
    {
        $names =
            ' ' .
            strtolower(
                $element->getAttribute('role') .
                    ' ' .
                    $element->getAttribute('epub:type') .
                    ' ' .
                    $element->getAttribute('id') .
                    ' ' .
                    $element->getAttribute('class'),
            ) .
            ' ';

        return 1 === preg_match('/ (?:doc-toc|toc|table-of-contents|tableofcontents) /', $names) &&
            null !== HtmlTree::first($element, 'a');
    }

    private function isHeadingsOnly(\DOMElement $list): bool
    {
        $linked = '';
        $links = 0;
        foreach (HtmlTree::within($list, 'a') as $link) {
            $letters = self::letters($link->textContent);
            $heading =
                $this->headings[rawurldecode(substr((string) strstr($link->getAttribute('href'), '#'), 1))] ?? '';
            if ('' === $letters || !str_contains($heading, $letters)) {
                return false;
            }
            $linked .= $letters;
            ++$links;
        }

        // Page numbers, leaders and blanks may stand between the links, words may not.
        return $links >= self::LEAST_LINKS && $linked === self::letters($list->textContent);
    }

    private static function letters(string $text): string
    {
        return (string) preg_replace('/[^\p{L}]+/u', '', $text);
    }
}
