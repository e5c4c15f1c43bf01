<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/**
 * Requests that no screen would send are answered, each with a sentence, and never with an error of the server's own.
 * STEMMATA_REQUESTS sets how many.
 */
final class FuzzedRequestsTest extends TestCase
{
    private const SLOWEST = 15_000;

    public function testNoneIsAnsweredWith500(): void
    {
        $this->assertAllAnswered(LiveServer::overEmptyDatabase(workers: 2), (int) (getenv('STEMMATA_REQUESTS') ?: 500));
    }

    /** What fits no more is told (507); and once there is room again, all is as it was. */
    public function testNorIsAnyOnADiskThatIsNearlyFull(): void
    {
        $disk = TemporaryFolder::made();
        if (0 !== (new Process(['mount', '-t', 'tmpfs', '-o', 'size=4m,mode=0700', 'tmpfs', $disk]))->run()) {
            self::markTestSkipped('Disks of a size of their own can be made by root only.');
        }
        try {
            $requests = (int) (((int) (getenv('STEMMATA_REQUESTS') ?: 500)) / 5);
            $statuses = $this->assertAllAnswered(LiveServer::within($disk, $disk), $requests, static function () use (
                $disk,
            ): void {
                // Now full, now not.
                $rest = $disk . '/other-files';
                file_exists($rest) ? unlink($rest) : @file_put_contents($rest, str_repeat('x', 4_000_000));
                usleep(150_000);
            });
            self::assertArrayHasKey(507, $statuses, 'it was full now and then');
        } finally {
            (new Process(['umount', '--lazy', $disk]))->run();
        }
    }

    /** The clock is set forward and back: all that the database has from before is of hours ago, or of the hours to come. */
    public function testNorIsAnyWhenTheClockIsSet(): void
    {
        $server = LiveServer::overEmptyDatabase(workers: 2);
        $database = new \PDO('sqlite:' . $server->data . '/stemmata.sqlite');
        $database->exec('PRAGMA busy_timeout = 10000');
        $requests = (int) (((int) (getenv('STEMMATA_REQUESTS') ?: 500)) / 5);
        $turn = 0;
        $this->assertAllAnswered($server, $requests, static function () use ($database, &$turn): void {
            $by = [7200, -86_400, -7200, 86_400][$turn++ % 4];
            $database->exec("UPDATE journal SET started_at = started_at + {$by}, made_at = made_at + {$by}");
            $database->exec("UPDATE document SET changed_at = changed_at + {$by}, created_at = created_at + {$by}");
            $database->exec('UPDATE document SET arriving_since = 1 WHERE arriving_since IS NOT NULL');
            $database->exec("UPDATE OR REPLACE sitting SET started_at = started_at + {$by}");
            usleep(100_000);
        });
    }

    /**
     * @param \Closure(): void|null $meanwhile done over and over
     *
     * @return array<mixed> how many, by status
     */
    private function assertAllAnswered(LiveServer $server, int $count, ?\Closure $meanwhile = null): array
    {
        $sending = new Process(
            [
                'node',
                dirname(__DIR__) . '/soak/requests.mjs',
                $server->address(),
                (string) $count,
                getenv('STEMMATA_SEED') ?: '1',
            ],
            timeout: 2400,
        );
        $sending->start();
        while (null !== $meanwhile && $sending->isRunning()) {
            $meanwhile();
        }
        $sending->wait();
        $report = json_decode($sending->getOutput(), true);
        self::assertIsArray($report, $sending->getErrorOutput());
        fwrite(
            \STDERR,
            "\nFuzzed requests, by status: " .
                json_encode($report['statuses']) .
                '; the slowest took ' .
                json_encode($report['slowest']) .
                " ms\n",
        );

        self::assertSame([], $report['failures']);
        self::assertTrue($report['opens']);
        self::assertLessThan(self::SLOWEST, $report['slowest'], 'nobody is kept waiting');
        $server->kill();

        return (array) $report['statuses'];
    }
}
