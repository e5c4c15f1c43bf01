<?php

declare(strict_types=1);

namespace Stemmata\Disk;

/** Files for the time of one piece of work. What does not fit on the disk is told, never cut short. */
final class TemporaryFile
{
    /** Nobody works so long with a file without writing in it (seconds). */
    private const ABANDONED = 600;

    /**
     * A new, empty one; whoever asked for it takes it away.
     *
     * @throws NoRoom
     */
    public static function path(): string
    {
        $folder = sys_get_temp_dir();
        // PHP itself would turn to another folder, which may be one that everybody reads.
        $path = is_writable($folder) ? @tempnam($folder, sprintf('stemmata-%d-', getmypid())) : false;

        return false === $path ? throw new NoRoom() : $path;
    }

    /** Takes away what killed processes have left behind. */
    public static function sweep(): void
    {
        foreach (glob(sys_get_temp_dir() . '/stemmata-[0-9]*-*') ?: [] as $left) {
            $process = explode('-', basename($left))[1];
            if (
                !file_exists('/proc/' . $process) &&
                @filemtime($left) < time() - self::ABANDONED &&
                @fileowner($left) === posix_geteuid()
            ) {
                @unlink($left);
            }
        }
    }

    /**
     * @return resource for reading and writing; in memory as long as it is small, and gone when it is closed
     *
     * @throws NoRoom
     */
    public static function inMemory()
    {
        return fopen('php://temp', 'w+') ?: throw new NoRoom();
    }

    /**
     * @return resource
     *
     * @throws NoRoom
     */
    public static function opened(string $path)
    {
        return @fopen($path, 'w') ?: throw new NoRoom();
    }

    /**
     * @param resource $file
     *
     * @throws NoRoom
     */
    public static function write($file, string $bytes): void
    {
        if (strlen($bytes) !== @fwrite($file, $bytes)) {
            throw new NoRoom();
        }
    }
}
