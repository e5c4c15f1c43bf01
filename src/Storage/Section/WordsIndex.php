<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\Connection;
use Stemmata\Core\Find\FoldedWords;
use Stemmata\Core\Find\Query;
use Stemmata\Storage\Database\SqliteSql;

/** Which sections may hold what a query looks for, told without reading their texts. */
final readonly class WordsIndex
{
    public function __construct(private Connection $connection) {}

    /** Also of sections that are set aside. */
    public function possibleIn(string $documentId, Query $query): PossibleSections
    {
        $words = FoldedWords::neededBy($query);
        if ([] === $words) {
            return new PossibleSections(null);
        }
        [$conditions, $values] = self::conditions($words);
        $ids = $this->connection->fetchFirstColumn(
            'SELECT section_id FROM section_words WHERE ' . implode(' AND ', ['document_id = ?', ...$conditions]),
            [$documentId, ...$values],
        );

        return new PossibleSections(array_fill_keys(array_filter($ids, is_string(...)), true));
    }

    /**
     * @param list<string> $words
     *
     * @return array{list<string>, list<string>} conditions, and their values
     */
    private static function conditions(array $words): array
    {
        $contains = array_fill(0, count($words), SqliteSql::contains('folded'));
        $indexed = array_filter(
            $words,
            static fn(string $word): bool => mb_strlen($word) >= SqliteSql::SHORTEST_INDEXED,
        );

        return [] === $indexed
            ? [$contains, $words]
            : [[SqliteSql::indexed('section_words'), ...$contains], [SqliteSql::allOf($indexed), ...$words]];
    }
}
