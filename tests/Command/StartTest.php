<?php

declare(strict_types=1);

namespace Stemmata\Tests\Command;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\FreePort;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** bin/start: one server for one folder. */
final class StartTest extends TestCase
{
    public function testAFolderThatIsServedIsNotServedTwiceNorTakenAway(): void
    {
        $folder = sys_get_temp_dir() . '/stemmata-start-' . bin2hex(random_bytes(4));
        $port = FreePort::find();
        $first = new Process(
            ['setsid', 'bin/start', '--port', (string) $port, '--data', $folder],
            dirname(__DIR__, 2),
            timeout: null,
        );
        $first->start();
        try {
            for (
                $try = 0;
                $try < 600 && $first->isRunning() && !str_contains($first->getOutput(), 'Stemmata is at');
                ++$try
            ) {
                usleep(100_000);
            }
            self::assertStringContainsString(
                'Stemmata is at http://127.0.0.1:' . $port,
                $first->getOutput(),
                $first->getErrorOutput(),
            );
            self::assertSame('600', decoct(fileperms($folder . '/stemmata.sqlite') & 0o777), 'no one else reads it');
            foreach ([[], ['--fresh']] as $more) {
                $second = new Process(
                    ['bin/start', '--port', (string) FreePort::find(), '--data', $folder, ...$more],
                    dirname(__DIR__, 2),
                );
                self::assertSame(1, $second->run());
                self::assertMatchesRegularExpression(
                    '/\AAnother Stemmata serves from this folder: process \d+ on port ' .
                        $port .
                        ' since [-\d :]+, version \w+\./',
                    $second->getErrorOutput(),
                );
            }
            self::assertFileExists($folder . '/stemmata.sqlite');
        } finally {
            Process::fromShellCommandline('kill -- -' . $first->getPid())->run();
            $first->stop(1);
            (new Filesystem())->remove($folder);
        }
    }
}
