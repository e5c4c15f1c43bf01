<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/** What can be wrong with the database or its disk, each in a sentence that says what to do. */
enum StorageTrouble: string
{
    case DiskFull = 'disk-full';
    case ReadOnly = 'read-only';
    case Damaged = 'damaged';
    case Foreign = 'foreign';
    case Unreachable = 'unreachable';
    case Busy = 'busy';

    /** By SQLite's result code (https://www.sqlite.org/rescode.html), as the driver's errors end with it. */
    public static function findIn(\Throwable $error): ?self
    {
        for ($each = $error; null !== $each; $each = $each->getPrevious()) {
            $code = $each instanceof \PDOException && is_array($each->errorInfo) ? $each->errorInfo[1] ?? null : null;
            $found = is_int($code) ? self::tryOfCode($code & 0xff) : null;
            if (null !== $found) {
                return $found;
            }
        }

        return null;
    }

    public function sentence(): string
    {
        return match ($this) {
            self::DiskFull => 'The disk is full. Nothing was changed; make room on it and try again.',
            self::ReadOnly
                => 'The database cannot be written: its file, its folder or the disk is read-only. Nothing was changed; give Stemmata’s user the right to write there.',
            self::Damaged
                => 'The database is damaged. Stop Stemmata, put back the newest backup, and keep the damaged file: much of it may be saved.',
            self::Foreign
                => 'The file of the database is no database of Stemmata’s. Stop Stemmata and put back a backup, or move the file away to begin anew.',
            self::Unreachable
                => 'The database cannot be opened: its file or folder is missing, or Stemmata’s user may not read it. Nothing was changed.',
            self::Busy => 'Another change is taking very long. Nothing was changed; try again in a moment.',
        };
    }

    private static function tryOfCode(int $code): ?self
    {
        return match ($code) {
            5, 6 => self::Busy,
            8 => self::ReadOnly,
            10, 14 => self::Unreachable,
            11 => self::Damaged,
            13 => self::DiskFull,
            26 => self::Foreign,
            default => null,
        };
    }
}
