<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\Document\Section;

/**
 * The words of a section without capitals and diacritics, line by line: what a query could find there, it could find
 * here, and more. Kept beside the text, so that the texts with a word in them are known without reading all.
 */
final class FoldedWords
{
    public static function of(Section $section): string
    {
        return implode(
            "\n",
            array_map(static fn(Line $line): string => self::folded($line->words), Line::of($section, Field::cases())),
        );
    }

    /**
     * What must be among the folded words of a section for the query to find something in it.
     *
     * @return list<string> none for a pattern, which may be found anywhere
     */
    public static function neededBy(Query $query): array
    {
        if (FindMode::Pattern === $query->mode) {
            return [];
        }

        return FindMode::Phrase === $query->mode
            ? [self::folded(trim($query->words))]
            : array_values(
                array_unique(preg_split('/\s+/u', self::folded($query->words), -1, \PREG_SPLIT_NO_EMPTY) ?: []),
            );
    }

    /** Blanks are one, however many and of whatever kind, as they are to a query. */
    private static function folded(string $words): string
    {
        return (string) preg_replace('/\s+/u', ' ', Folding::folded($words));
    }
}
