<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\RandomPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/** Documents with all that pages can hold, four of them at once: each gets its file, however the service is besieged. */
final class FourAtOnceTest extends TestCase
{
    public function testNoneIsWithoutItsPages(): void
    {
        $count = (int) (getenv('STEMMATA_DOCUMENTS') ?: 6);
        $folder = TemporaryFolder::made();
        $random = new RandomPages(new Randomizer(new Mt19937((int) (getenv('STEMMATA_SEED') ?: 1))), new CountingIds());
        for ($number = 0; $number < $count; ++$number) {
            file_put_contents(
                sprintf('%s/%d.html', $folder, $number),
                Services::formats()->written('html', $random->document()),
            );
        }
        $server = LiveServer::overEmptyDatabase(workers: 6);
        $asking = new Process(
            ['node', __DIR__ . '/four-at-once.mjs', $server->address(), $folder, (string) $count],
            timeout: 4 * 3600,
        );
        $asking->run(static function (string $from, string $said): void {
            if (Process::ERR === $from) {
                fwrite(\STDERR, $said);
            }
        });
        $server->kill();
        $report = json_decode($asking->getOutput(), true);
        self::assertIsArray($report);
        fwrite(\STDERR, "\nPages, four documents at once: " . $asking->getOutput() . "\n");

        self::assertSame([], $report['failures']);
        self::assertSame($count, $report['files']);
        self::assertSame(0, $report['plain'], 'no section was printed as plain words only');
    }
}
