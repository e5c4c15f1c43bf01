<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Markup;

use Stemmata\Core\Text\Node;

/**
 * What of a table's columns the engine measures to know how wide they must be: the widest words of each, and its fullest
 * cells. Which these are is guessed from their letters here, so that a table of a thousand rows costs no more than one of ten.
 */
final class ColumnWords
{
    private const WORDS_OF_A_COLUMN = 3;
    private const CELLS_OF_A_COLUMN = 2;
    /** What may not be broken from the next column’s: letters of scripts that are broken anywhere are no long words. */
    private const WORD = '/[^\s\p{Z}\p{Han}\p{Hiragana}\p{Katakana}]+/u';

    /** @var array<string, array<array-key, array{float, string}>> words by column and span: how wide by guess, and as markup */
    private array $words = [];
    /** @var array<int, list<array{float, string}>> cells by column, likewise */
    private array $cells = [];
    private bool $firstIsPlain = true;

    public function __construct(private readonly InlineTypst $inline) {}

    /** @param int $column from 0 on */
    public function add(Node $cell, int $column, int $columns): void
    {
        $isHead = true === $cell->attribute('header');
        $key = $column . ', ' . $columns;
        $this->words[$key] ??= [];
        foreach (self::wordsOf($cell) as $word => $isCode) {
            $markup = TypstValue::words((string) $word);
            $markup = $isCode ? '#code[' . $markup . '];' : $markup;
            $this->words[$key][$word] ??= [
                self::guess((string) $word) * ($isCode ? 1.3 : 1),
                ($isHead ? '#in-head[' : '#in-cell[') . $markup . '];',
            ];
        }
        $this->words[$key] = self::widest($this->words[$key], self::WORDS_OF_A_COLUMN);
        if (1 === $columns) {
            $words = $cell->plainText();
            $width = self::guess($words) + ('' === trim($words) && [] !== $cell->content ? 10 : 0);
            $markup = $this->inline->of(self::withoutPlaces($cell->content));
            $this->cells[$column][] = [$width, ($isHead ? '#in-head[' : '#in-cell[') . $markup . '];'];
            $this->cells[$column] = array_values(self::widest($this->cells[$column], self::CELLS_OF_A_COLUMN));
        }
        if (0 === $column && (1 !== $columns || $cell->content !== self::withoutPlaces($cell->content))) {
            $this->firstIsPlain = false;
        }
    }

    /** Entries of an array: column, columns, content. */
    public function words(): string
    {
        $entries = '';
        foreach ($this->words as $key => $words) {
            foreach ($words as [, $markup]) {
                $entries .= sprintf('(%s, [%s]), ', $key, $markup);
            }
        }

        return $entries;
    }

    /** Entries of an array: column, content. */
    public function fullest(): string
    {
        $entries = '';
        foreach ($this->cells as $column => $cells) {
            foreach ($cells as [, $markup]) {
                $entries .= sprintf('(%d, [%s]), ', $column, $markup);
            }
        }

        return $entries;
    }

    /** Whether the first column names the rows and may be printed twice: nothing in it is a place, a note or the like. */
    public function firstCanBeRepeated(): bool
    {
        return $this->firstIsPlain;
    }

    /** @return array<array-key, bool> the words, and whether they are set as code */
    private static function wordsOf(Node $cell): array
    {
        $words = [];
        foreach ($cell->content as $node) {
            if ('text' === $node->type) {
                preg_match_all(self::WORD, $node->text, $found);
                $words += array_fill_keys($found[0], null !== $node->findMark('code'));
            }
        }

        return $words;
    }

    /**
     * @template K of array-key
     *
     * @param array<K, array{float, string}> $of
     *
     * @return array<K, array{float, string}>
     */
    private static function widest(array $of, int $most): array
    {
        if (count($of) <= $most) {
            return $of;
        }
        uasort($of, static fn(array $one, array $other): int => $other[0] <=> $one[0]);

        return array_slice($of, 0, $most, true);
    }

    /** How wide words are by rule of thumb, in letters. */
    private static function guess(string $words): float
    {
        return mb_strlen($words) +
            0.4 * (int) preg_match_all('/[\p{Lu}mwMW%@—…]/u', $words) -
            0.45 * (int) preg_match_all('/[fijlrtI.,;:\'’|!() ]/u', $words);
    }

    /**
     * @param list<Node> $content
     *
     * @return list<Node>
     */
    private static function withoutPlaces(array $content): array
    {
        return array_values(
            array_filter(
                $content,
                static fn(Node $node): bool => !in_array($node->type, ['footnote', 'bookmark', 'bookmarkEnd'], true),
            ),
        );
    }
}
