<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use League\CommonMark\Event\DocumentParsedEvent;
use League\CommonMark\Extension\CommonMark\Node\Block\Heading;
use League\CommonMark\Node\Inline\Text;

/**
 * What several dialects of Markdown write in braces behind a heading: `{#anchor .class key=value}`, or `{-}` for one
 * without
 * a number. It is no words of the heading; the anchor is its name, the classes say what they say in HTML.
 */
final class HeadingAttributes
{
    private const BRACES = '/\s*\{:?\s*((?:[#.][\w:.-]+|-|[\w-]+=(?:"[^"}]*"|[^\s"}]*))(?:\s+(?:[#.][\w:.-]+|-|[\w-]+=(?:"[^"}]*"|[^\s"}]*)))*)\s*\}\s*\z/u';

    public static function taken(DocumentParsedEvent $event): void
    {
        foreach ($event->getDocument()->iterator() as $node) {
            $last = $node instanceof Heading ? $node->lastChild() : null;
            if (
                $node instanceof Heading &&
                $last instanceof Text &&
                1 === preg_match(self::BRACES, $last->getLiteral(), $match)
            ) {
                $last->setLiteral(substr($last->getLiteral(), 0, -strlen($match[0])));
                $node->data->set('attributes', self::attributes($match[1]));
            }
        }
    }

    /** A heading of ours that ends so is written as HTML, where braces are only braces. */
    public static function areAtTheEndOf(string $words): bool
    {
        return 1 === preg_match(self::BRACES, $words);
    }

    /** @return array<string, string> */
    private static function attributes(string $braces): array
    {
        $classes = [];
        $attributes = [];
        foreach (preg_split('/\s+/', $braces) ?: [] as $part) {
            match (true) {
                '-' === $part => ($classes[] = 'unnumbered'),
                str_starts_with($part, '#') => ($attributes['id'] ??= substr($part, 1)),
                str_starts_with($part, '.') => ($classes[] = substr($part, 1)),
                default => null,
            };
        }

        return $attributes + ([] === $classes ? [] : ['class' => implode(' ', $classes)]);
    }
}
