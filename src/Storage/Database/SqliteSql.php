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

    /**
     * The column, not to be looked up by its index: a few ids lead to their rows sooner than all rows of a document.
     */
    public static function notByIndex(string $column): string
    {
        return '+' . $column;
    }
}
