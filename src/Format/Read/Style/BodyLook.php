<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Style;

use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Look;
use Stemmata\Core\Text\Node;

/**
 * Readers tell each paragraph's look outright, sizes in half points. Here the look that most of the text has is found,
 * and what a paragraph shares with it is forgotten; sizes become percent of the body's.
 */
final class BodyLook
{
    /**
     * @param list<array{Level, Section, int}> $sections
     *
     * @return list<array{Level, Section, int}>
     */
    public static function settled(array $sections): array
    {
        /** @var array<array-key, array<array-key, int>> $weights characters by property and value */
        $weights = [];
        foreach (self::haveLooks($sections) ? $sections : [] as [, $section]) {
            foreach ($section->body->blocks as $block) {
                if ('paragraph' === $block->type) {
                    $length = strlen($block->plainText());
                    foreach (get_object_vars(Look::of($block)) as $property => $value) {
                        $key = is_scalar($value) ? (string) $value : '';
                        $weights[$property][$key] = ($weights[$property][$key] ?? 0) + $length;
                    }
                }
            }
        }
        if ([] === $weights) {
            return $sections;
        }
        $body = self::body($weights);

        return array_map(
            static fn(array $entry): array => [
                $entry[0],
                $entry[1]->withBody(
                    Body::of(
                        array_map(
                            static fn(Node $block): Node => 'paragraph' === $block->type
                                ? self::relative($block, $body)
                                : $block,
                            $entry[1]->body->blocks,
                        ),
                    ),
                ),
                $entry[2],
            ],
            $sections,
        );
    }

    /** @param list<array{Level, Section, int}> $sections */
    private static function haveLooks(array $sections): bool
    {
        foreach ($sections as [, $section]) {
            foreach ($section->body->blocks as $block) {
                if ('paragraph' === $block->type && [] !== $block->attributes) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param array<array-key, array<array-key, int>> $weights characters by property and value */
    private static function body(array $weights): Look
    {
        $most = static function (string $property) use ($weights): string {
            $values = $weights[$property] ?? ['' => 0];
            arsort($values);

            return (string) array_key_first($values);
        };
        $number = static fn(string $property): ?int => '' === $most($property) ? null : (int) $most($property);

        return new Look(
            $number('size'),
            $most('align') ?: null,
            '1' === $most('caps'),
            $number('before'),
            $number('after'),
            $most('style'),
        );
    }

    private static function relative(Node $paragraph, Look $body): Node
    {
        $look = Look::of($paragraph);
        $size =
            null === $look->size || null === $body->size || 0 === $body->size
                ? null
                : (int) round((100 * $look->size) / $body->size);

        return Node::paragraph(
            $paragraph->content,
            new Look(
                100 === $size ? null : $size,
                $look->align === $body->align ? null : $look->align,
                $look->caps && !$body->caps,
                $look->before === $body->before ? null : $look->before,
                $look->after === $body->after ? null : $look->after,
                $look->style === $body->style ? '' : $look->style,
            ),
            $paragraph->kind(),
        );
    }
}
