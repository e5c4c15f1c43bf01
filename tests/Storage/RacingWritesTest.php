<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Symfony\Component\Process\Process;

/**
 * Two clients at once on one database, each way of writing against typing: no acknowledged edit gone, no revision given
 * twice, the journal exact to the beginning, no answer of 500 and above. STEMMATA_RACE sets the seconds of each race.
 */
final class RacingWritesTest extends TestCase
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

    /** @return iterable<string, array{string}> */
    public static function otherWrites(): iterable
    {
        foreach (
            [
                'moves',
                'copies',
                'returns',
                'brings-back',
                'undoes',
                'imports-into',
                'imports',
                'names-milestones',
                'keeps-resume-point',
                'removes-and-restores',
                'keeps-starters',
            ]
            as $way
        ) {
            yield $way => [$way];
        }
    }

    #[DataProvider('otherWrites')]
    public function testNothingAcknowledgedIsGone(string $way): void
    {
        $document = LiveDocument::from(self::$server, "# One\n\na\n\n## Two\n\nb\n\n# Three\n\nc\n\n# Four\n\nd\n");
        $other = LiveDocument::from(self::$server, "# First\n\nx\n\n# Second\n\ny\n");
        $seconds = (float) (getenv('STEMMATA_RACE') ?: '1.2');
        $clients = array_map(static fn(string $does): Process => self::client($document, $other, $does, $seconds), [
            'inserts',
            $way,
        ]);
        $did = array_map(static function (Process $client): array {
            $client->wait();
            self::assertSame('', $client->getErrorOutput());
            $report = json_decode($client->getOutput(), true);
            self::assertIsArray($report, $client->getOutput());

            return $report;
        }, $clients);

        self::assertSame([[], []], array_column($did, 'failures'), 'no answer of 500 and above');
        $inserted = array_column($did, 'inserted');
        self::assertIsArray($inserted[0]);
        self::assertGreaterThan(3, count($inserted[0]), 'there was a race');
        self::assertGreaterThan(0, $did[1]['done'], 'the other one did something');
        foreach ([$document, $other] as $each) {
            $revisions = [...self::revisions($did[0], $each), ...self::revisions($did[1], $each)];
            self::assertSame(count($revisions), count(array_unique($revisions)), 'no revision twice');
        }
        $this->assertKept($document, $other, array_values(array_filter($inserted[0], is_string(...))), $way);
        $this->assertHistoryIsExact($document, $document->revision());
        $this->assertHistoryIsExact($other, $other->revision());
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= max(2, (int) (getenv('STEMMATA_RACE') ?: 1)); ++$seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /** Two clients that write as it comes, and one that tidies as it comes: thinning, milestones, copies, purging. */
    #[DataProvider('seeds')]
    public function testEveryWayOfWritingAgainstEveryWayOfTidying(int $seed): void
    {
        $picture = base64_encode((string) file_get_contents(__DIR__ . '/../../docs/screenshots/desk.png'));
        $document = LiveDocument::from(self::$server, "# One\n\na\n\n## Two\n\nb\n\n# Three\n\nc\n\n# Four\n\nd\n");
        $document->operate([
            'name' => 'replace-body',
            'section' => $document->section(1),
            'body' => [
                ['type' => 'figure', 'attrs' => ['src' => 'data:image/png;base64,' . $picture, 'alt' => 'A desk']],
            ],
        ]);
        $other = LiveDocument::from(self::$server, "# First\n\nx\n\n# Second\n\ny\n");
        $clients = [];
        foreach (['any-write', 'any-write', 'any-tidying'] as $number => $does) {
            $clients[] = self::client($document, $other, $does, 3, $seed * 7919 + $number);
        }
        $database = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $database->exec('PRAGMA busy_timeout = 20000');
        $aged = $database->prepare(
            'UPDATE journal SET started_at = started_at - 400000, made_at = made_at - 400000 WHERE document_id = ?',
        );
        while ([] !== array_filter($clients, static fn(Process $client): bool => $client->isRunning())) {
            $aged->execute([$document->id]);
            usleep(50_000);
        }
        $did = array_map(static function (Process $client): array {
            self::assertSame('', $client->getErrorOutput());
            $report = json_decode($client->getOutput(), true);
            self::assertIsArray($report, $client->getOutput());

            return $report;
        }, $clients);

        self::assertSame([[], [], []], array_column($did, 'failures'), 'no answer of 500 and above');
        foreach ($did as $one) {
            self::assertGreaterThan(4, $one['done'], 'there was a race');
        }
        foreach ([$document, $other] as $each) {
            $revisions = array_merge(...array_map(static fn(array $one): array => self::revisions($one, $each), $did));
            self::assertSame(count($revisions), count(array_unique($revisions)), 'no revision twice');
        }
        $names = array_column($document->get('/history/milestones'), 'name');
        foreach ((array) $did[2]['milestones'] as $milestone) {
            self::assertContains($milestone, $names);
        }
        $pictured = static fn(LiveDocument $in): int => substr_count(
            (string) json_encode($in->get('/texts?sections=' . implode(',', $in->ids()))),
            'picture:',
        );
        foreach (array_filter((array) $did[2]['copies'], is_string(...)) as $id) {
            $copy = LiveDocument::withId(self::$server, $id);
            self::assertSame(
                $pictured($copy),
                substr_count(
                    self::$server->text('/api/documents/' . $id . '/export?format=html'),
                    'src="data:image/png;base64,',
                ),
                'a copy has its pictures',
            );
        }
        $this->assertHistoryIsExact($document, $document->revision());
        $this->assertHistoryIsExact($other, $other->revision());
        foreach (['foreign_key_check' => [], 'integrity_check' => ['ok']] as $check => $sound) {
            $found = $database->query('PRAGMA ' . $check);
            self::assertSame($sound, false === $found ? null : $found->fetchAll(\PDO::FETCH_COLUMN), $check);
        }
    }

    /** Thinning puts steps together and leaves the revision as it is: a step that was planned before is another one then. */
    public function testAnUndoThatMeetsThinningGoesBackExactly(): void
    {
        $seconds = (float) (getenv('STEMMATA_RACE') ?: '1.2');
        for ($tries = 0; $tries < max(4, (int) $seconds); ++$tries) {
            $document = LiveDocument::from(self::$server, "# One\n\na\n");
            $beginning = $document->text();
            $section = $document->section(0);
            for ($step = 0, $revision = $document->revision(); $step < 60; ++$step, ++$revision) {
                $document->operate(
                    ['name' => 'rename', 'section' => $section, 'heading' => 'Named ' . $step],
                    $revision,
                );
            }
            $aged = (new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite'))->prepare(
                'UPDATE journal SET started_at = started_at - 4000000, made_at = made_at - 4000000 WHERE document_id = ?',
            );
            $aged->execute([$document->id]);
            $both = new Process([
                'node',
                '-e',
                'const [path, base] = process.argv.slice(1);
                 const send = (method, name, body) => fetch(path + name, { method, headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) });
                 const thins = send("PUT", "/history/rule", { weeks: 4 });
                 setTimeout(() => send("POST", "/undo", { baseRevision: Number(base) }).then(async (answer) => {
                   await thins; process.stdout.write(String(answer.status)); }), Number(process.argv[3]));',
                self::$server->address() . '/api/documents/' . $document->id,
                (string) $revision,
                (string) (($tries % 4) * 6),
            ]);
            $both->mustRun();
            self::assertContains($both->getOutput(), ['200', '409']);

            $this->assertHistoryIsExact($document, $document->revision());
            while (isset($document->undo()['revision'])) {
                continue;
            }
            self::assertSame($beginning['outline'], $document->text()['outline']);
        }
    }

    /** A copy that is acknowledged has its pictures, whenever the original goes; one that comes too late is refused. */
    public function testCopiesOfWhatIsPurgedMeanwhileHaveTheirPictures(): void
    {
        $picture = base64_encode((string) file_get_contents(__DIR__ . '/../../docs/screenshots/desk.png'));
        $copies = 0;
        for ($tries = 0; $tries < 8; ++$tries) {
            $made = self::$server->get(
                'POST',
                '/api/documents/import?name=x.html',
                '<h1>One</h1><p><img alt="a" src="data:image/png;base64,' .
                    $picture .
                    '"></p>' .
                    str_repeat('<h2>Two</h2><p>words</p>', 400),
            );
            self::assertIsString($made['id']);
            $both = new Process([
                'node',
                '-e',
                'const [address, id, wait] = process.argv.slice(1);
                 const send = (method, path) => fetch(address + path, { method, headers: { "Content-Type": "application/json" }, body: "{}" });
                 const copied = send("POST", `/api/documents/${id}/copy`).then(async (answer) => ({ status: answer.status, ...await answer.json() }));
                 setTimeout(async () => {
                   await send("DELETE", `/api/documents/${id}`);
                   await send("DELETE", `/api/removed-documents/${id}`);
                   process.stdout.write(JSON.stringify(await copied));
                 }, Number(wait));',
                self::$server->address(),
                $made['id'],
                (string) ($tries * 8),
            ]);
            $both->mustRun();
            $copy = (array) json_decode($both->getOutput(), true);
            self::assertContains($copy['status'], [201, 404], $both->getOutput());
            if (201 !== $copy['status']) {
                continue;
            }
            ++$copies;
            self::assertIsString($copy['id']);
            $written = self::$server->text('/api/documents/' . $copy['id'] . '/export?format=html');
            self::assertStringContainsString('data:image/png;base64,' . substr($picture, 0, 200), $written);
        }
        self::assertGreaterThan(0, $copies);
        $database = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $unbacked = $database->query('SELECT COUNT(*) FROM file_use WHERE hash NOT IN (SELECT hash FROM stored_file)');
        self::assertSame(0, false === $unbacked ? null : $unbacked->fetchColumn());
    }

    private static function client(
        LiveDocument $document,
        LiveDocument $other,
        string $does,
        float $seconds,
        int $seed = 1,
    ): Process {
        $client = new Process(
            [
                'node',
                __DIR__ . '/racing-client.mjs',
                self::$server->address(),
                $document->id,
                $other->id,
                $does,
                (string) $seconds,
                (string) $seed,
            ],
            timeout: 120 + $seconds,
        );
        $client->start();

        return $client;
    }

    /**
     * @param array<mixed> $report
     *
     * @return list<int>
     */
    private static function revisions(array $report, LiveDocument $document): array
    {
        $all = (array) ($report['revisions'] ?? []);

        return array_values(array_filter((array) ($all[$document->id] ?? []), is_int(...)));
    }

    /** @param list<string> $inserted headings, each acknowledged */
    private function assertKept(LiveDocument $document, LiveDocument $other, array $inserted, string $way): void
    {
        // What was undone or gone back from on purpose is in the history still.
        $isTakenBack = in_array($way, ['undoes', 'returns'], true);
        $kept = json_encode(
            [$document->outline(), $other->outline(), $document->get('/offcuts')],
            \JSON_THROW_ON_ERROR,
        );
        $steps = json_encode($document->steps(), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
        foreach ($inserted as $heading) {
            self::assertStringContainsString($heading, $isTakenBack ? $kept . $steps : $kept);
        }
    }

    /** Undone to the beginning and done again, it reads as it does now. */
    private function assertHistoryIsExact(LiveDocument $document, int $revision): void
    {
        $now = $document->text();
        $steps = 0;
        while (isset(($undone = $document->post('/undo', ['baseRevision' => $revision]))['revision'])) {
            self::assertIsInt($undone['revision']);
            $revision = $undone['revision'];
            ++$steps;
        }
        self::assertSame('nothing-to-do', $undone['reason']);
        for ($step = 0; $step < $steps; ++$step) {
            $revision = $document->post('/redo', ['baseRevision' => $revision])['revision'];
            self::assertIsInt($revision);
        }
        self::assertSame($now, $document->text());
    }
}
