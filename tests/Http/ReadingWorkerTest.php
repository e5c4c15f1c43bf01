<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/** Files are read in a process of their own: none takes the server along, none keeps another document waiting. */
final class ReadingWorkerTest extends TestCase
{
    private static LiveServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase(workers: 4);
    }

    public static function tearDownAfterClass(): void
    {
        self::$server->kill();
    }

    /** @return iterable<string, array{string, string}> */
    public static function hard(): iterable
    {
        yield 'a million brackets' => ['x.md', "# T\n\n" . str_repeat('[a](', 250_000)];
        yield 'marks of emphasis that never end' => ['x.md', "# T\n\n" . str_repeat('*a **b ', 150_000)];
    }

    #[DataProvider('hard')]
    public function testWhatTakesTooMuchIsRefusedInASentenceAndLeavesNothing(string $name, string $bytes): void
    {
        $answer = self::$server->find('POST', '/api/documents/import?name=' . $name, $bytes);

        self::assertSame(
            [422, 'The file takes more time or memory to read than one file may; split it, and import the parts.'],
            [$answer['status'] ?? null, $answer['detail'] ?? null],
        );
        self::assertSame([], glob(sys_get_temp_dir() . '/stemmata-reading-*') ?: []);
        self::assertSame([], self::$server->get('GET', '/api/documents'));
    }

    public function testARefusalOfTheReadersIsToldAsItIs(): void
    {
        $answer = self::$server->get('POST', '/api/documents/import?name=x.docx', "%PDF-1.7\n");

        self::assertSame(
            'The file is a PDF, which holds pages and not a text; import the file that it was made from.',
            $answer['detail'],
        );
    }

    public function testWhoEditsAnotherDocumentHardlyWaitsWhileALongOneArrives(): void
    {
        $document = LiveDocument::from(self::$server, "# One\n\na\n");
        $file = sys_get_temp_dir() . '/stemmata-long-' . bin2hex(random_bytes(4)) . '.md';
        file_put_contents(
            $file,
            implode(
                '',
                array_map(static fn(int $at): string => "## Section {$at}\n\nSome words.\n\n", range(1, 12_000)),
            ),
        );
        $import = new Process(
            [
                'node',
                '-e',
                'fetch(process.argv[1], { method: "POST", body: require("fs").readFileSync(process.argv[2]) }).then((answer) => answer.json()).then((made) => console.log(made.sections))',
                self::$server->address() . '/api/documents/import?name=long.md',
                $file,
            ],
            timeout: 60,
        );
        $import->start();
        $edits = 0;
        $whileStored = 0;
        $connection = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $revision = $document->revision();
        while ($import->isRunning()) {
            $answer = $document->operate(
                ['name' => 'rename', 'section' => $document->section(0), 'heading' => 'Edit ' . $edits],
                $revision,
            );
            $revision = is_int($answer['revision'] ?? null)
                ? $answer['revision']
                : self::fail((string) json_encode($answer));
            ++$edits;
            $arriving = $connection->query('SELECT COUNT(*) FROM document WHERE arriving_since IS NOT NULL');
            $whileStored += false === $arriving || [0] === $arriving->fetchAll(\PDO::FETCH_COLUMN) ? 0 : 1;
        }
        unlink($file);
        self::assertSame("12000\n", $import->getOutput(), $import->getErrorOutput());
        self::assertGreaterThan(10, $edits, 'while it was read and stored');
        // Were the lock held all the while, none could be acknowledged between its first section and its last. It is
        // stored for some
        // seconds, however busy the machine: one edit could be a chance, two are not.
        self::assertGreaterThan(1, $whileStored, 'while it was stored');
    }

    /** What is on its way looks like left behind by an ended server; whoever cleans up then, nobody is answered with 500. */
    public function testAClockThatIsSetForwardDuringAnImport(): void
    {
        $text = implode(
            '',
            array_map(static fn(int $at): string => "## Section {$at}\n\nSome words.\n\n", range(1, 12_000)),
        );
        $file = TemporaryFolder::made() . '/long.md';
        file_put_contents($file, $text);
        $import = new Process(
            [
                'node',
                '-e',
                'fetch(process.argv[1], { method: "POST", body: require("fs").readFileSync(process.argv[2]) }).then(async (answer) => console.log(answer.status, await answer.text()))',
                self::$server->address() . '/api/documents/import?name=long.md',
                $file,
            ],
            timeout: 60,
        );
        $import->start();
        $connection = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $connection->exec('PRAGMA busy_timeout = 10000');
        $others = 0;
        while ($import->isRunning()) {
            foreach (glob(sys_get_temp_dir() . '/stemmata-reading-*') ?: [] as $folder) {
                @touch($folder, 1);
            }
            $connection->exec('UPDATE document SET arriving_since = 1 WHERE arriving_since IS NOT NULL');
            $other = self::$server->get('POST', '/api/documents/import?name=other.html', '<h1>Other</h1>');
            self::assertIsString($other['id'] ?? null, (string) json_encode($other));
            ++$others;
        }
        self::assertGreaterThan(1, $others);
        self::assertMatchesRegularExpression('/\A(?:201|404|422) /', $import->getOutput(), $import->getErrorOutput());
    }

    public function testWhoLeavesEndsTheImportAndNothingIsOnTheDesk(): void
    {
        $before = self::$server->get('GET', '/api/documents');
        $file = sys_get_temp_dir() . '/stemmata-long-' . bin2hex(random_bytes(4)) . '.md';
        file_put_contents(
            $file,
            implode(
                '',
                array_map(static fn(int $at): string => "## Section {$at}\n\nSome words.\n\n", range(1, 20_000)),
            ),
        );
        (new Process([
            'node',
            '-e',
            <<<'JS'
            const [address, file] = process.argv.slice(1);
            const leave = new AbortController();
            fetch(address, { method: "POST", body: require("fs").readFileSync(file), signal: leave.signal, headers: { Accept: "application/x-ndjson" } })
              .then(async (answer) => { for await (const chunk of answer.body) setTimeout(() => leave.abort(), 300); })
              .catch(() => {});
            JS
            ,
            self::$server->address() . '/api/documents/import?name=long.md',
            $file,
        ]))->run();
        for ($try = 0; $try < 100 && [] !== (glob(sys_get_temp_dir() . '/stemmata-reading-*') ?: []); ++$try) {
            usleep(100_000);
        }
        unlink($file);
        self::assertSame([], glob(sys_get_temp_dir() . '/stemmata-reading-*') ?: []);
        self::assertSame($before, self::$server->get('GET', '/api/documents'));
        $connection = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $left = $connection->query(
            "SELECT COUNT(*) FROM section WHERE heading LIKE 'Section 1%' AND document_id NOT IN (SELECT id FROM document WHERE arriving_since IS NULL)",
        );
        self::assertSame(0, false === $left ? null : $left->fetchColumn());
    }
}
