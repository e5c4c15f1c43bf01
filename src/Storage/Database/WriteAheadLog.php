<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/**
 * The file that SQLite writes changes to before they go into the database (https://www.sqlite.org/fileformat2.html, 4).
 * After a crash it holds what was acknowledged last and must be kept; beside a database that was put back from a backup
 * it belongs to another state, and SQLite would mix the two without a word.
 */
final class WriteAheadLog
{
    private const HEADER = 32;
    private const FRAME_HEADER = 24;

    /**
     * Whether the log goes on from the state that the database file is in.
     *
     * Every change counts itself, so a log that belongs to it begins with a count that the database has or that comes
     * next,
     * and ends no earlier than the database's.
     */
    public static function belongsTo(string $database): bool
    {
        $log = $database . '-wal';
        $stored = self::count(self::copied($database, null));
        if (null === $stored) {
            // Nothing can be compared in a database of before this count was kept; SQLite's own judgement stands.
            return true;
        }
        $first = self::count(self::copied($database, self::upToFirstCommit($log)));
        $last = self::count(self::copied($database, (string) file_get_contents($log)), true);

        return null !== $first &&
            null !== $last &&
            $first->lineage === $stored->lineage &&
            $last->lineage === $stored->lineage &&
            $first->commits <= $stored->commits + 1 &&
            $last->commits >= $stored->commits;
    }

    /** The log cut off behind its first complete change. */
    private static function upToFirstCommit(string $log): string
    {
        $bytes = (string) file_get_contents($log);
        $header = unpack('N', substr($bytes, 8, 4));
        $pageSize = is_array($header) && is_int($header[1]) ? $header[1] : 0;
        $frame = self::FRAME_HEADER + $pageSize;
        for ($at = self::HEADER; $at + $frame <= strlen($bytes); $at += $frame) {
            // The size of the database after the change, which only the last frame of a change tells.
            if ("\0\0\0\0" !== substr($bytes, $at + 4, 4)) {
                return substr($bytes, 0, $at + $frame);
            }
        }

        return $bytes;
    }

    /** A copy in a folder of its own: looking into the log must not change anything. */
    private static function copied(string $database, ?string $log): string
    {
        $folder = $database . '.look-' . bin2hex(random_bytes(4));
        mkdir($folder, 0o700);
        copy($database, $folder . '/copy');
        null === $log || file_put_contents($folder . '/copy-wal', $log);

        return $folder . '/copy';
    }

    /** @param bool $isWhole whether every page must fit the others: a backup may hold the same state on other pages */
    private static function count(string $copy, bool $isWhole = false): ?CommitCount
    {
        try {
            $connection = new \PDO('sqlite:' . $copy);
            if (
                $isWhole &&
                ['ok'] !== ($connection->query('PRAGMA quick_check(1)') ?: null)?->fetchAll(\PDO::FETCH_COLUMN)
            ) {
                return null;
            }
            $found = $connection->query('SELECT lineage, commits FROM commit_count');
            $row = false === $found ? false : $found->fetch(\PDO::FETCH_ASSOC);

            return is_array($row) && is_string($row['lineage']) && is_int($row['commits'])
                ? new CommitCount($row['lineage'], $row['commits'])
                : null;
        } catch (\PDOException) {
            return null;
        } finally {
            $connection = null;
            array_map(unlink(...), glob(dirname($copy) . '/*') ?: []);
            rmdir(dirname($copy));
        }
    }
}
