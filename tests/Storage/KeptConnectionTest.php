<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\FreePort;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/**
 * Workers keep their connections (docs/decisions/0010): a request that dies in the middle of a change must not keep the
 * others waiting.
 */
final class KeptConnectionTest extends TestCase
{
    /** One worker of PHP’s own server, on a connection like the application’s. */
    private const PAGE = <<<'PHP'
    <?php
    $database = new PDO('sqlite:'.getenv('DATABASE'), null, null, [PDO::ATTR_PERSISTENT => true]);
    $database->exec('PRAGMA busy_timeout = 200; CREATE TABLE IF NOT EXISTS kept (words)');
    $database->beginTransaction();
    $database->exec("INSERT INTO kept VALUES ('half')");
    match (ltrim($_SERVER['REQUEST_URI'], '/')) {
        'ends' => exit,
        'out-of-memory' => [ini_set('memory_limit', '4M'), str_repeat('x', 32_000_000)],
        'out-of-time' => [set_time_limit(1), (static function (): void { while (true) {} })()],
        'throws' => throw new LogicException('in the middle'),
    };
    PHP;

    /** @return iterable<array{string}> */
    public static function deaths(): iterable
    {
        foreach (['ends', 'out-of-memory', 'out-of-time', 'throws'] as $death) {
            yield $death => [$death];
        }
    }

    #[DataProvider('deaths')]
    public function testWhatARequestLeftOpenIsRolledBackWhenItEnds(string $death): void
    {
        $folder = sys_get_temp_dir() . '/stemmata-kept-' . bin2hex(random_bytes(4));
        mkdir($folder);
        file_put_contents($folder . '/page.php', self::PAGE);
        $port = FreePort::find();
        $server = new Process(
            ['php', '-d', 'display_errors=0', '-S', '127.0.0.1:' . $port, $folder . '/page.php'],
            null,
            ['DATABASE' => $folder . '/kept.sqlite'],
        );
        $server->start();
        try {
            for ($tries = 0; $tries < 100 && false === @fsockopen('127.0.0.1', $port); ++$tries) {
                usleep(50_000);
            }
            @file_get_contents('http://127.0.0.1:' . $port . '/' . $death);

            // The worker still has its connection; another one writes at once, and finds nothing half done.
            $other = new \PDO('sqlite:' . $folder . '/kept.sqlite');
            $other->exec('PRAGMA busy_timeout = 200');
            $other->exec("INSERT INTO kept VALUES ('whole')");
            $kept = $other->query('SELECT words FROM kept');
            self::assertInstanceOf(\PDOStatement::class, $kept);
            self::assertSame(['whole'], $kept->fetchAll(\PDO::FETCH_COLUMN));
            self::assertTrue($server->isRunning());
        } finally {
            $server->stop(0);
            (new Filesystem())->remove($folder);
        }
    }
}
