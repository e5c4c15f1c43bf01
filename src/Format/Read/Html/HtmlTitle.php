<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Document\TitleBlock;

/**
 * What a page says of itself as a whole: in its head, and in a title block at the top where it has one (common
 * practice).
 */
final class HtmlTitle
{
    public static function isTitleBlock(\DOMElement $element): bool
    {
        $type = ' ' . $element->getAttribute('epub:type') . ' ';

        return 'title-block-header' === $element->getAttribute('id') || str_contains($type, ' titlepage ');
    }

    /**
     * @return list<\DOMElement> the parts of a title block that say something else than title, subtitle, author and
     *     date; the date on the title page of a book is another one than the book's own
     */
    public static function restOf(\DOMElement $titleBlock): array
    {
        return self::restWithin(
            $titleBlock,
            'title-block-header' === $titleBlock->getAttribute('id')
                ? ['title', 'subtitle', 'author', 'date']
                : ['title', 'subtitle', 'author'],
        );
    }

    /**
     * @param list<string> $said
     *
     * @return list<\DOMElement>
     */
    private static function restWithin(\DOMElement $titleBlock, array $said): array
    {
        $rest = [];
        foreach ($titleBlock->childNodes as $part) {
            if (!($part instanceof \DOMElement)) {
                continue;
            }
            $class = $part->getAttribute('class');
            $isSaid = 1 === preg_match('/\Ah[1-6]\z/', (string) $part->localName) || in_array($class, $said, true);
            array_push(
                $rest,
                ...match (true) {
                    $isSaid, '' === trim($part->textContent) => [],
                    1 === preg_match('/\b(?:date|abstract|keywords|rights|publisher|dedication)\b/', $class) ||
                        !in_array($part->localName, ['div', 'section', 'header'], true)
                        => [$part],
                    default => self::restWithin($part, $said),
                },
            );
        }

        return $rest;
    }

    public static function of(\DOMDocument $page): TitleBlock
    {
        $meta = [];
        foreach ($page->getElementsByTagName('meta') as $element) {
            $meta[strtolower($element->getAttribute('name'))] ??= self::line($element->getAttribute('content'));
        }
        $shown = self::shown($page);
        $language =
            $page->documentElement?->getAttribute('lang') ?: $page->documentElement?->getAttribute('xml:lang') ?? '';

        return new TitleBlock(
            $shown['title'] ?? self::inHead($page),
            $shown['subtitle'] ?? ($meta['subtitle'] ?? ''),
            $shown['author'] ?? ($meta['author'] ?? ''),
            language: self::languageOr($language, 'en'),
            date: $shown['date'] ?? ($meta['date'] ?? ($meta['dcterms.date'] ?? '')),
        );
    }

    public static function languageOr(string $tag, string $default): string
    {
        return 1 === preg_match('/\A[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*\z/', $tag) ? $tag : $default;
    }

    /** A drawing in the text may have a title, too. */
    private static function inHead(\DOMDocument $page): string
    {
        foreach ($page->getElementsByTagName('title') as $title) {
            if ('head' === $title->parentNode?->localName) {
                return self::line($title->textContent);
            }
        }

        return '';
    }

    /** @return array<string, string> */
    private static function shown(\DOMDocument $page): array
    {
        return self::saidBy(self::parts($page));
    }

    /**
     * What the parts of a title page say by their classes (common practice).
     *
     * @param iterable<\DOMElement> $parts
     *
     * @return array<string, string>
     */
    public static function saidBy(iterable $parts): array
    {
        $shown = [];
        foreach ($parts as $part) {
            $class = $part->getAttribute('class');
            if (in_array($class, ['title', 'subtitle', 'author', 'date'], true)) {
                $shown[$class] = isset($shown[$class])
                    ? $shown[$class] . ', ' . self::line($part->textContent)
                    : self::line($part->textContent);
            }
        }

        return $shown;
    }

    /**
     * Those of the first title block. The parser makes no ids known to the tree, so it is looked for by its attribute.
     *
     * @return iterable<\DOMElement>
     */
    private static function parts(\DOMDocument $page): iterable
    {
        foreach ($page->getElementsByTagName('header') as $header) {
            if ('title-block-header' === $header->getAttribute('id')) {
                return HtmlTree::within($header);
            }
        }

        return [];
    }

    private static function line(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}
