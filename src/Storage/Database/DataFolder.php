<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/** The folder with the database, looked over before anything serves from it. */
final readonly class DataFolder
{
    private const HEADER = "SQLite format 3\0";
    /** Less than that is no room to work in. */
    private const LEAST_FREE = 16 * 1024 * 1024;

    public string $database;

    public function __construct(private string $folder)
    {
        $this->database = $folder . '/stemmata.sqlite';
    }

    /**
     * What stands in the way of serving, in a sentence; null when nothing does. A log that belongs to another state is
     * set
     * aside.
     *
     * @param \Closure(string): void $report what was done to the folder
     */
    public function findTrouble(\Closure $report): ?string
    {
        return match (true) {
            !is_dir($this->folder) => sprintf('The folder %s is not there.', $this->folder),
            !is_writable($this->folder) => sprintf(
                'The folder %s cannot be written. Give your user the right to write there, or choose another with --data.',
                $this->folder,
            ),
            (float) disk_free_space($this->folder) < self::LEAST_FREE => sprintf(
                'The disk with the folder %s is full. Make room on it and start again.',
                $this->folder,
            ),
            !file_exists($this->database) => null,
            !is_readable($this->database) || !is_writable($this->database) => sprintf(
                'The database %s cannot be read and written. Give your user the right to both.',
                $this->database,
            ),
            default => $this->findTroubleOfFile() ?? $this->findTroubleOfContents($report),
        };
    }

    /**
     * Whether a process has the database open. Each connection of SQLite's in the mode with a log holds a lock on the
     * file for
     * as long as it lives, and the system lists those; asking SQLite would touch the log.
     */
    public function isInUse(): bool
    {
        $inode = file_exists($this->database) ? fileinode($this->database) : false;

        return false !== $inode &&
            1 === preg_match('/^\d+: POSIX .*:' . $inode . ' /m', (string) @file_get_contents('/proc/locks'));
    }

    /** @return string the copy's path */
    public function backedUp(string $reason): string
    {
        $copy = sprintf('%s/backup-%s-%s.sqlite', $this->folder, $reason, date('Ymd-His'));
        $connection = new \PDO('sqlite:' . $this->database);
        $connection->exec('VACUUM INTO ' . $connection->quote($copy));
        chmod($copy, 0o600);

        return $copy;
    }

    /** Only its owner reads what is written here. */
    public function close(): void
    {
        foreach (glob($this->folder . '/*.sqlite*') ?: [] as $file) {
            @chmod($file, 0o600);
        }
    }

    private function findTroubleOfFile(): ?string
    {
        $size = (int) filesize($this->database);
        $head = (string) file_get_contents($this->database, false, null, 0, 100);
        $away = sprintf(' Put a backup in its place, or move it away to begin anew: %s', $this->database);
        if (0 === $size) {
            return 'The file of the database is empty.' . $away;
        }
        if (!str_starts_with($head, self::HEADER)) {
            return 'The file of the database is no database.' . $away;
        }
        $fields = unpack('npage', substr($head, 16, 2)) + [
            'pages' => (unpack('N', str_pad(substr($head, 28, 4), 4, "\0")) ?: [1 => 0])[1],
        ];
        $page = 1 === $fields['page'] ? 65536 : $fields['page'];
        if (!is_int($page) || !is_int($fields['pages']) || strlen($head) < 100 || $size < $page * $fields['pages']) {
            return 'The file of the database is cut off: its end is missing. Keep it, for much of it may be saved.' .
                $away;
        }

        return null;
    }

    /** @param \Closure(string): void $report */
    private function findTroubleOfContents(\Closure $report): ?string
    {
        $log = $this->database . '-wal';
        if (is_file($log) && filesize($log) > 0 && !WriteAheadLog::belongsTo($this->database)) {
            $aside = sprintf('%s/log-of-another-state-%s', $this->folder, date('Ymd-His'));
            mkdir($aside, 0o700);
            foreach (['-wal', '-shm'] as $ending) {
                is_file($this->database . $ending) &&
                    rename($this->database . $ending, $aside . '/' . basename($this->database) . $ending);
            }
            $report(
                sprintf(
                    'Beside the database lay the log of another state, as after a backup was put back. It was set aside in %s; the database is used as it was put there.',
                    $aside,
                ),
            );
        }
        try {
            $connection = new \PDO('sqlite:' . $this->database);
            $check = $connection->query('PRAGMA quick_check(1)');
            $tables = $connection->query("SELECT name FROM sqlite_master WHERE type = 'table'");
            if (false === $check || ['ok'] !== $check->fetchAll(\PDO::FETCH_COLUMN)) {
                return StorageTrouble::Damaged->sentence();
            }

            return false === $tables || !in_array('document', $tables->fetchAll(\PDO::FETCH_COLUMN), true)
                ? StorageTrouble::Foreign->sentence()
                : null;
        } catch (\PDOException $error) {
            return (StorageTrouble::findIn($error) ?? StorageTrouble::Damaged)->sentence();
        }
    }
}
