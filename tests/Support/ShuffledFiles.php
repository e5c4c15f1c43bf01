<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Variants of sound files that are sound as well: parts left out, doubled, moved, with attributes and words of others. The
 * same number gives the same file. What is spoilt is the matter of MutatedFiles.
 */
final class ShuffledFiles
{
    /** Words that readers look at twice. */
    private const WORDS = [
        'CHAPTER IV',
        'Chapter 2. The gale',
        '1.2 Oil',
        '3. Lamps',
        '(a) first',
        'iv. fourth',
        'Contents',
        'Figure 3. A lamp',
        'Table 2: Readings',
        'Oil . . . . . 12',
        'Book One',
        'THE LAMP',
        '§ 4',
        '• an item',
        '– said the keeper',
        '1 / 3 = 0.333',
        '* * *',
        ' ',
        'words.',
        'Dr. Corvale said “no”, and went.',
    ];

    private Randomizer $random;

    public function __construct(int $number)
    {
        $this->random = new Randomizer(new Mt19937($number));
    }

    /** @param string $name by whose ending it is told what kind of file it is */
    public function variant(string $name, string $bytes): string
    {
        return match (pathinfo($name, \PATHINFO_EXTENSION)) {
            'docx' => $this->package($bytes, '~\Aword/(?:document|styles|numbering|footnotes)\.xml\z~'),
            'odt' => $this->package($bytes, '~\A(?:content|styles)\.xml\z~'),
            'epub' => $this->package($bytes, '~\.(?:xhtml|opf)\z~'),
            'opml' => $this->xml($bytes),
            'html' => $this->html($bytes),
            default => $this->lines($bytes),
        };
    }

    private function package(string $bytes, string $shuffled): string
    {
        $parts = Packed::parts($bytes);
        foreach ($parts as $name => $part) {
            if (1 === preg_match($shuffled, $name) && $this->oneIn(2)) {
                $parts[$name] = $this->xml($part);
            }
        }

        return Packed::zip($parts);
    }

    private function xml(string $xml): string
    {
        $document = new \DOMDocument();
        $document->loadXML($xml, \LIBXML_NONET);
        $this->shuffle($document);

        return (string) $document->saveXML();
    }

    private function html(string $html): string
    {
        $document = new \DOMDocument();
        @$document->loadHTML('<?xml encoding="UTF-8">' . $html, \LIBXML_NONET);
        $this->shuffle($document);

        return (string) $document->saveHTML($document->documentElement);
    }

    private function shuffle(\DOMDocument $document): void
    {
        $path = new \DOMXPath($document);
        for ($changes = $this->random->getInt(1, 6); $changes > 0; --$changes) {
            $elements = self::all($path, '/*/*//*[not(self::head or ancestor::head)]');
            $attributes = self::all($path, '/*/*//@*');
            $words = self::all($path, '/*/*//text()[normalize-space()]');
            $element = $this->among($elements);
            $attribute = $this->among($attributes);
            $text = $this->among($words);
            match ($this->random->getInt(0, 7)) {
                0 => $element instanceof \DOMElement ? $element->remove() : null,
                1 => $element instanceof \DOMElement ? $element->before($element->cloneNode(true)) : null,
                2 => $this->move($element, $this->among($elements)),
                3 => $this->unwrap($element),
                4, 5 => $this->revalue($attribute, $attributes),
                6 => $attribute instanceof \DOMAttr ? $attribute->ownerElement?->removeAttributeNode($attribute) : null,
                default => $text instanceof \DOMText
                    ? ($text->data = (string) $this->among([
                        ...self::WORDS,
                        ' ' . $text->data,
                        $text->data . ' ',
                        mb_strtoupper($text->data),
                        $text->data . '.',
                    ]))
                    : null,
            };
        }
    }

    private function move(?\DOMNode $element, ?\DOMNode $before): void
    {
        for ($above = $before; null !== $above; $above = $above->parentNode) {
            if ($above === $element) {
                return;
            }
        }
        if (null !== $element && $before instanceof \DOMElement) {
            $before->before($element);
        }
    }

    private function unwrap(?\DOMNode $element): void
    {
        if ($element instanceof \DOMElement) {
            $element->replaceWith(...iterator_to_array($element->childNodes));
        }
    }

    /** @param list<\DOMNode> $attributes */
    private function revalue(?\DOMNode $attribute, array $attributes): void
    {
        $alike = array_values(
            array_filter($attributes, static fn(\DOMNode $each): bool => $each->nodeName === $attribute?->nodeName),
        );
        if ($attribute instanceof \DOMAttr) {
            $value = $attribute->value;
            $attribute->value = htmlspecialchars(
                is_numeric($value)
                    ? (string) ((int) $value + $this->random->getInt(-2, 3))
                    : (string) $this->among($alike)?->nodeValue,
            );
        }
    }

    private function lines(string $text): string
    {
        $lines = explode("\n", $text);
        for ($changes = $this->random->getInt(1, 8); $changes > 0; --$changes) {
            $at = $this->random->getInt(0, max(0, count($lines) - 1));
            $line = $lines[$at] ?? '';
            $other = (string) $this->among($lines);
            array_splice(
                $lines,
                $at,
                1,
                match ($this->random->getInt(0, 9)) {
                    0 => [],
                    1 => [$line, $line],
                    2 => [$other],
                    3 => ['', $line],
                    4 => [$line, ''],
                    5 => [str_repeat(' ', $this->random->getInt(1, 8)) . $line],
                    6 => [mb_strtoupper($line)],
                    7 => [$line . ' ' . $other],
                    8 => [trim($line)],
                    default => [(string) $this->among(self::WORDS)],
                },
            );
        }

        return implode("\n", $lines);
    }

    /** @return list<\DOMNode> */
    private static function all(\DOMXPath $path, string $query): array
    {
        $found = [];
        foreach ($path->query($query) ?: [] as $node) {
            if ($node instanceof \DOMNode) {
                $found[] = $node;
            }
        }

        return $found;
    }

    /**
     * @template T
     *
     * @param list<T> $choices
     *
     * @return T|null null when there are none
     */
    private function among(array $choices): mixed
    {
        return [] === $choices ? null : $choices[$this->random->getInt(0, count($choices) - 1)];
    }

    private function oneIn(int $times): bool
    {
        return 1 === $this->random->getInt(1, $times);
    }
}
