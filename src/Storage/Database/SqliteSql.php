<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/**
 * The few words of SQL that only SQLite understands; all other statements are standard. Another database needs its own
 * of these and of SqliteSettings, and none of DataFolder and WriteAheadLog, which look after a file
 * (docs/decisions/0015).
 */
final class SqliteSql
{
    /** Of rows that are otherwise equal, the order in which they came. */
    public const ORDER_OF_ARRIVAL = 'rowid';

    /** Whether the column holds the words of a parameter, letter by letter. */
    public static function contains(string $column): string
    {
        return 'instr(' . $column . ', ?) > 0';
    }

    /** Fewer letters than that, and the index of words knows nothing of them. */
    public const SHORTEST_INDEXED = 3;

    /**
     * An index over every three letters of the folded words of a table (FTS5, “trigram”), which the database keeps in step
     * with its rows in whatever way they change. It knows which rows have three letters, not where they stand: half the
     * work at each change.
     *
     * @return list<string>
     */
    public static function wordIndex(string $table): array
    {
        $take = "INSERT INTO {$table}_index ({$table}_index, rowid, folded) VALUES ('delete', old.number, old.folded);";
        $put = "INSERT INTO {$table}_index (rowid, folded) VALUES (new.number, new.folded);";

        return [
            "CREATE VIRTUAL TABLE {$table}_index USING fts5 (folded, content='{$table}', content_rowid='number', tokenize='trigram', detail=none)",
            "CREATE TRIGGER {$table}_put AFTER INSERT ON {$table} BEGIN {$put} END",
            "CREATE TRIGGER {$table}_take AFTER DELETE ON {$table} BEGIN {$take} END",
            "CREATE TRIGGER {$table}_change AFTER UPDATE OF folded ON {$table} BEGIN {$take} {$put} END",
        ];
    }

    /** Rows of such a table that hold certain letters, as the parameter says. */
    public static function indexed(string $table): string
    {
        return "number IN (SELECT rowid FROM {$table}_index WHERE {$table}_index MATCH ?)";
    }

    /**
     * What is asked of the index for rows that may hold all of these words: those with every three letters of them.
     *
     * @param non-empty-array<string> $words each of three letters or more
     */
    public static function allOf(array $words): string
    {
        $threes = [];
        foreach ($words as $word) {
            foreach (range(0, mb_strlen($word) - self::SHORTEST_INDEXED) as $at) {
                $threes[] = '"' . str_replace('"', '""', mb_substr($word, $at, self::SHORTEST_INDEXED)) . '"';
            }
        }

        return implode(' AND ', array_unique($threes));
    }

    /**
     * The column, not to be looked up by its index: a few ids lead to their rows sooner than all rows of a document.
     */
    public static function notByIndex(string $column): string
    {
        return '+' . $column;
    }
}
