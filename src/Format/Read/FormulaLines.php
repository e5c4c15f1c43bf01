<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Node;

/** Where formulas of a file may stand. */
final class FormulaLines
{
    /**
     * A block with each of them where it may stand: a paragraph is parted there; elsewhere they stand in the line.
     *
     * @return list<Node>
     */
    public static function settled(Node $block): array
    {
        if (!self::hasAny($block)) {
            return [$block];
        }
        if ('paragraph' === $block->type) {
            return self::parted($block);
        }
        $content = [];
        foreach ($block->content as $child) {
            array_push($content, ...self::settled($child));
        }
        if ('listItem' === $block->type && 'paragraph' !== ($content[0]->type ?? '')) {
            array_unshift($content, Node::paragraph([]));
        }

        return [$block->withContent(self::isInline($block) ? self::inLine($content) : $content)];
    }

    /**
     * @param list<Node> $inline
     *
     * @return list<Node>
     */
    public static function inLine(array $inline): array
    {
        return array_map(
            static fn(Node $part): Node => 'formulaBlock' === $part->type
                ? Node::formula($part->textAttribute('source'), false)
                : $part,
            $inline,
        );
    }

    /**
     * What a footnote holds of a line: its words, and those of its formulas.
     *
     * @param list<Node> $inline
     *
     * @return list<Node>
     */
    public static function wordsOnly(array $inline): array
    {
        $words = [];
        foreach ($inline as $part) {
            $isFormula = in_array($part->type, ['formula', 'formulaBlock'], true);
            if ($part->isText() || ($isFormula && '' !== $part->plainText())) {
                $words[] = $isFormula ? Node::text($part->plainText()) : $part;
            }
        }

        return $words;
    }

    private static function hasAny(Node $block): bool
    {
        foreach ($block->content as $child) {
            if ('formulaBlock' === $child->type || self::hasAny($child)) {
                return true;
            }
        }

        return false;
    }

    private static function isInline(Node $block): bool
    {
        return in_array($block->type, ['figure', 'caption', 'tableCell'], true);
    }

    /** @return list<Node> */
    private static function parted(Node $paragraph): array
    {
        $blocks = [];
        $line = [];
        foreach ([...$paragraph->content, null] as $part) {
            if (null !== $part && 'formulaBlock' !== $part->type) {
                $line[] = $part;
                continue;
            }
            if ('' !== trim(Node::plainTextOf($line)) || [] !== self::withoutBlanks($line)) {
                $blocks[] = $paragraph->withContent($line);
            }
            $line = [];
            if (null !== $part) {
                $blocks[] = $part;
            }
        }

        return $blocks;
    }

    /**
     * @param list<Node> $line
     *
     * @return list<Node>
     */
    private static function withoutBlanks(array $line): array
    {
        return array_values(
            array_filter(
                $line,
                static fn(Node $part): bool => 'hardBreak' !== $part->type &&
                    (!$part->isText() || '' !== trim($part->text)),
            ),
        );
    }
}
