<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveServer;
use Symfony\Component\Process\Process;

/**
 * Requests that no screen would send are answered, each with a sentence, and never with an error of the server's own.
 * STEMMATA_REQUESTS sets how many.
 */
final class FuzzedRequestsTest extends TestCase
{
    public function testNoneIsAnsweredWith500(): void
    {
        $server = LiveServer::overEmptyDatabase(workers: 2);
        $count = getenv('STEMMATA_REQUESTS') ?: '500';
        $sending = new Process(
            [
                'node',
                dirname(__DIR__) . '/soak/requests.mjs',
                $server->address(),
                $count,
                getenv('STEMMATA_SEED') ?: '1',
            ],
            timeout: 1200,
        );
        $sending->mustRun();
        $report = json_decode($sending->getOutput(), true);
        self::assertIsArray($report);
        fwrite(\STDERR, "\nFuzzed requests, by status: " . json_encode($report['statuses']) . "\n");

        self::assertSame([], $report['failures']);
        self::assertTrue($report['opens']);
        $server->kill();
    }
}
