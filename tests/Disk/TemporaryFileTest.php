<?php

declare(strict_types=1);

namespace Stemmata\Tests\Disk;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

final class TemporaryFileTest extends TestCase
{
    /** A request that is killed takes nothing away itself; who starts next does, and leaves alone what is at work. */
    public function testWhatAKilledProcessLeftIsTakenAwayAtTheNextStart(): void
    {
        $folder = TemporaryFolder::made();
        $working = self::working($folder);
        $killed = self::working($folder);
        $left = self::of($folder, $killed);
        $kept = self::of($folder, $working);
        $killed->stop(0, \SIGKILL);
        (new Process(['php', 'bin/console', 'stemmata:data'], env: self::env($folder)))->mustRun();
        self::assertFileExists($left, 'it may be in another container, of ten minutes ago at most');
        touch($left, time() - 700);
        touch($kept, time() - 700);
        touch($folder . '/stemmata-notes.txt', time() - 700);

        (new Process(['php', 'bin/console', 'stemmata:data'], env: self::env($folder)))->mustRun();
        self::assertFileDoesNotExist($left);
        self::assertFileExists($kept);
        self::assertFileExists($folder . '/stemmata-notes.txt');
        $working->stop(0, \SIGKILL);
    }

    /** A process with a temporary file of its own. */
    private static function working(string $folder): Process
    {
        $process = new Process(
            ['php', '-r', 'require "vendor/autoload.php"; echo Stemmata\Disk\TemporaryFile::path(); sleep(60);'],
            dirname(__DIR__, 2),
            self::env($folder),
        );
        $process->start();
        $process->waitUntil(static fn(): bool => true);

        return $process;
    }

    private static function of(string $folder, Process $process): string
    {
        $files = glob($folder . '/stemmata-' . $process->getPid() . '-*') ?: [];
        self::assertCount(1, $files);

        return $files[0];
    }

    /** @return array<string, string> */
    private static function env(string $folder): array
    {
        return ['TMPDIR' => $folder, 'STEMMATA_DATA' => $folder, 'APP_ENV' => 'prod'];
    }
}
