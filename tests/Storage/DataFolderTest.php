<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Storage\Database\DataFolder;
use Stemmata\Storage\Database\StorageTrouble;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** What can be wrong with the folder of the database, each said in a sentence, by the console and on the screen. */
final class DataFolderTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/stemmata-data-' . bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    /**
     * @return iterable<string, array{\Closure(string): mixed, non-empty-string}> what is done to a sound database,
     *     and what is said
     */
    public static function troubles(): iterable
    {
        yield 'empty' => [
            static fn(string $file): mixed => file_put_contents($file, ''),
            'The file of the database is empty. Put a backup in its place',
        ];
        yield 'another kind of file' => [
            static fn(string $file): mixed => file_put_contents($file, random_bytes(9000)),
            'The file of the database is no database.',
        ];
        yield 'cut off' => [
            static fn(string $file): mixed => file_put_contents(
                $file,
                substr((string) file_get_contents($file), 0, 40_000),
            ),
            'The file of the database is cut off: its end is missing.',
        ];
        yield 'overwritten within' => [
            static fn(string $file): mixed => file_put_contents(
                $file,
                substr_replace((string) file_get_contents($file), str_repeat("\xAA", 60_000), 8_192, 60_000),
            ),
            'The database is damaged. Stop Stemmata, put back the newest backup',
        ];
        yield 'the database of another program' => [
            static function (string $file): void {
                unlink($file);
                (new \PDO('sqlite:' . $file))->exec('CREATE TABLE recipes (name); INSERT INTO recipes VALUES (1)');
            },
            'The file of the database is no database of Stemmata’s.',
        ];
        yield 'of a newer version' => [
            static fn(string $file): mixed => (new \PDO('sqlite:' . $file))->exec(
                "INSERT INTO doctrine_migration_versions VALUES ('Stemmata\\Migrations\\Version29991231000000', NULL, 0)",
            ),
            'The database was written by a newer Stemmata.',
        ];
    }

    /** @param non-empty-string $sentence */
    #[DataProvider('troubles')]
    public function testEachIsSaidInASentence(\Closure $spoil, string $sentence): void
    {
        $this->makeDatabase();
        $spoil($this->folder . '/stemmata.sqlite');
        $command = $this->console(['stemmata:data', '--alone']);

        self::assertSame(1, $command->getExitCode());
        self::assertStringStartsWith($sentence, $command->getErrorOutput());
        self::assertSame(1, substr_count($command->getErrorOutput(), "\n"), 'one line');
    }

    public function testASoundOneIsClosedToOthersAndUsed(): void
    {
        $this->makeDatabase();
        chmod($this->folder . '/stemmata.sqlite', 0o644);

        self::assertSame(0, $this->console(['stemmata:data', '--alone'])->getExitCode());
        self::assertSame('600', decoct(fileperms($this->folder . '/stemmata.sqlite') & 0o777));
    }

    public function testALogOfAnotherStateIsSetAsideAndALogOfThisOneIsKept(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $database = $server->data . '/stemmata.sqlite';
        $document = LiveDocument::from($server, "# One\n\na\n");
        copy($database, $this->folder . '/old.sqlite');
        (new \PDO('sqlite:' . $database))->exec('PRAGMA wal_checkpoint(TRUNCATE)');
        $document->type(0, 'acknowledged');
        $document->type(0, 'acknowledged last');
        $server->kill();
        self::assertGreaterThan(0, filesize($database . '-wal'));

        // After a crash the log holds what was acknowledged last.
        foreach (['', '-wal'] as $ending) {
            copy($database . $ending, $this->folder . '/stemmata.sqlite' . $ending);
        }
        self::assertSame('', $this->console(['stemmata:data', '--alone'])->getErrorOutput());
        self::assertStringContainsString('acknowledged last', $this->bodies());

        // A backup was put in the database's place, and the log was forgotten there.
        copy($this->folder . '/old.sqlite', $this->folder . '/stemmata.sqlite');
        copy($database . '-wal', $this->folder . '/stemmata.sqlite-wal');
        $said = $this->console(['stemmata:data', '--alone']);
        self::assertSame(0, $said->getExitCode());
        self::assertStringContainsString('Beside the database lay the log of another state', $said->getErrorOutput());
        self::assertStringNotContainsString('acknowledged', $this->bodies());
        self::assertNotSame([], glob($this->folder . '/log-of-another-state-*/stemmata.sqlite-wal') ?: []);
    }

    public function testADatabaseThatIsOpenIsNotTakenAway(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $server->get('GET', '/api/keys');
        self::assertTrue((new DataFolder($server->data))->isInUse());
        $command = new Process(['php', 'bin/console', 'stemmata:data', '--alone'], dirname(__DIR__, 2), [
            'STEMMATA_DATA' => $server->data,
            'APP_ENV' => 'prod',
        ]);
        self::assertSame(1, $command->run());
        self::assertStringContainsString('Another Stemmata has the database', $command->getErrorOutput());
        $server->kill();
        usleep(200_000);
        self::assertFalse((new DataFolder($server->data))->isInUse());
    }

    public function testADatabasePutInTheOthersPlaceIsTheOneThatIsServed(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $server->get('POST', '/api/documents', ['title' => 'Before']);
        $this->makeDatabase();
        rename($server->data . '/stemmata.sqlite', $server->data . '/away');
        @unlink($server->data . '/stemmata.sqlite-wal');
        @unlink($server->data . '/stemmata.sqlite-shm');
        copy($this->folder . '/stemmata.sqlite', $server->data . '/stemmata.sqlite');

        self::assertSame([], $server->get('GET', '/api/documents'));
        $server->get('POST', '/api/documents', ['title' => 'After']);
        self::assertStringContainsString(
            'After',
            (string) file_get_contents($server->data . '/stemmata.sqlite') .
                file_get_contents($server->data . '/stemmata.sqlite-wal'),
        );
    }

    /** @return iterable<string, array{\Closure(string): mixed, int, non-empty-string}> */
    public static function troublesWhileServing(): iterable
    {
        yield 'another kind of file' => [
            static fn(string $file): mixed => file_put_contents($file, random_bytes(9000)),
            503,
            'The file of the database is no database of Stemmata’s.',
        ];
        yield 'gone' => [
            static function (string $file): void {
                (new Filesystem())->remove(dirname($file));
            },
            503,
            'The database cannot be opened',
        ];
    }

    /** @param non-empty-string $sentence */
    #[DataProvider('troublesWhileServing')]
    public function testTheScreenSaysItToo(\Closure $spoil, int $status, string $sentence): void
    {
        $server = LiveServer::overEmptyDatabase();
        array_map(unlink(...), glob($server->data . '/*') ?: []);
        $spoil($server->data . '/stemmata.sqlite');
        foreach (
            [['GET', '/api/documents', null], ['POST', '/api/documents', ['title' => 'x']]]
            as [$method, $path, $body]
        ) {
            $answer = $server->get($method, $path, $body);
            self::assertSame($status, $answer['status']);
            self::assertIsString($answer['detail']);
            self::assertStringStartsWith($sentence, $answer['detail']);
        }
    }

    public function testAFullDiskIsKnownByWhatSqliteSays(): void
    {
        $connection = new \PDO('sqlite::memory:');
        // A database that may not grow meets the same answer of SQLite's as a disk that is full.
        $connection->exec('PRAGMA max_page_count = 2; CREATE TABLE full (words)');
        try {
            $connection->exec("INSERT INTO full VALUES ('" . str_repeat('x', 100_000) . "')");
            self::fail('It was not full.');
        } catch (\PDOException $error) {
            $trouble = StorageTrouble::findIn(new \RuntimeException('wrapped', 0, $error));
            self::assertSame(
                'The disk is full. Nothing was changed; make room on it and try again.',
                $trouble?->sentence(),
            );
        }
    }

    public function testAReadOnlyDatabaseIsKnownByWhatSqliteSays(): void
    {
        $this->makeDatabase();
        $connection = new \PDO(
            'sqlite:' . $this->folder . '/stemmata.sqlite',
            options: [\PDO::SQLITE_ATTR_OPEN_FLAGS => \PDO::SQLITE_OPEN_READONLY],
        );
        try {
            $connection->exec('UPDATE commit_count SET commits = 1');
            self::fail('It was written.');
        } catch (\PDOException $error) {
            self::assertStringStartsWith(
                'The database cannot be written:',
                (string) StorageTrouble::findIn($error)?->sentence(),
            );
        }
    }

    public function testADatabaseIsKeptAsItWasBeforeItIsBroughtUpToDate(): void
    {
        $this->console([
            'doctrine:migrations:migrate',
            'Stemmata\Migrations\Version20261125000000',
            '--no-interaction',
            '--quiet',
        ]);
        $said = $this->console(['stemmata:data', '--alone', '--backup']);
        self::assertSame(0, $said->getExitCode(), $said->getErrorOutput());
        $backups = glob($this->folder . '/backup-before-update-*.sqlite') ?: [];
        self::assertCount(1, $backups);
        self::assertStringContainsString($backups[0], $said->getErrorOutput());
        $tables = (new \PDO('sqlite:' . $backups[0]))->query(
            "SELECT name FROM sqlite_master WHERE name IN ('document', 'commit_count')",
        );
        self::assertSame(['document'], false === $tables ? [] : $tables->fetchAll(\PDO::FETCH_COLUMN));
        $this->makeDatabase();
        self::assertSame(
            '',
            $this->console(['stemmata:data', '--alone', '--backup'])->getErrorOutput(),
            'once is enough',
        );
    }

    public function testTheLogOfTheServerIsNotLetGrow(): void
    {
        $log = $this->folder . '/server.log';
        $writing = new Process(
            ['bash', dirname(__DIR__, 2) . '/bin/lib/rotated-log', $log, '10'],
            input: implode("\n", range(1, 95)) . "\n",
        );
        $writing->mustRun();

        self::assertSame(implode("\n", range(91, 95)) . "\n", file_get_contents($log));
        self::assertSame(
            ['server.log', 'server.log.1', 'server.log.2', 'server.log.3'],
            array_map(basename(...), glob($log . '*') ?: []),
        );
        self::assertStringStartsWith("81\n", (string) file_get_contents($log . '.1'));
    }

    private function makeDatabase(): void
    {
        $this->console(['doctrine:migrations:migrate', '--no-interaction', '--quiet'])->getExitCode();
        (new \PDO('sqlite:' . $this->folder . '/stemmata.sqlite'))->exec('PRAGMA wal_checkpoint(TRUNCATE)');
    }

    /** @param list<string> $arguments */
    private function console(array $arguments): Process
    {
        $command = new Process(['php', 'bin/console', ...$arguments], dirname(__DIR__, 2), [
            'STEMMATA_DATA' => $this->folder,
            'APP_ENV' => 'prod',
        ]);
        $command->run();

        return $command;
    }

    private function bodies(): string
    {
        $found = (new \PDO('sqlite:' . $this->folder . '/stemmata.sqlite'))->query('SELECT body FROM section');

        return false === $found
            ? ''
            : implode("\n", array_filter($found->fetchAll(\PDO::FETCH_COLUMN), is_string(...)));
    }
}
