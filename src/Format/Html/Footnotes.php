<?php

declare(strict_types=1);

namespace Stemmata\Format\Html;

/** Notes at the end of a page, marked with the roles of DPUB-ARIA 1.1, by the address that a reference leads to. */
final readonly class Footnotes
{
    /** @param array<string, \DOMElement> $byAddress */
    private function __construct(private array $byAddress)
    {
    }

    public static function in(\DOMDocument $page): self
    {
        $notes = [];
        foreach ((new \DOMXPath($page))->query('//*[@role="doc-endnote" or @role="doc-footnote"][@id]') ?: [] as $note) {
            if ($note instanceof \DOMElement) {
                $notes['#'.$note->getAttribute('id')] = $note;
            }
        }

        return new self($notes);
    }

    /** The note that an element refers to, when it is a reference. */
    public function findFor(\DOMElement $reference): ?\DOMElement
    {
        return 'doc-noteref' === $reference->getAttribute('role') ? $this->byAddress[$reference->getAttribute('href')] ?? null : null;
    }

    public function isNotes(\DOMElement $element): bool
    {
        return [] !== $this->byAddress && ('doc-endnotes' === $element->getAttribute('role') || in_array($element, $this->byAddress, true));
    }
}
