<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;
use Stemmata\Typesetting\Engine\Engine;
use Stemmata\Typesetting\Engine\ServiceEngine;
use Stemmata\Typesetting\Engine\StillSetting;
use Stemmata\Typesetting\Engine\TypesettingFailed;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Typesetter;
use Symfony\Component\Process\Process;

/** The service that makes pages: for one user alone, for any number of documents in their turn, and never for too long. */
final class ServiceTest extends TestCase
{
    private const NOBODY = 65_534;

    private string $data;
    private ServiceEngine $engine;

    protected function setUp(): void
    {
        $this->data = TemporaryFolder::made();
        $this->engine = new ServiceEngine($this->data, true);
    }

    protected function tearDown(): void
    {
        $this->engine->stop();
    }

    public function testMoreDocumentsThanThereAreProcessesAllGetTheirPages(): void
    {
        $server = LiveServer::overEmptyDatabase(workers: 6);
        $paths = [];
        for ($each = 0; $each < 5; ++$each) {
            $document = LiveDocument::from($server, str_repeat("# Part {$each}\n\nWords of it.\n\n", 20));
            $paths[] = '/api/documents/' . $document->id . '/pages';
        }
        $asking = new Process(
            [
                'node',
                '-e',
                'const [address, ...paths] = process.argv.slice(1);
                 const ask = async (path) => { for (;;) { const answer = await fetch(address + path); await answer.text(); if (answer.status !== 202) return answer.status; await new Promise((done) => setTimeout(done, 100)); } };
                 const four = [...paths, ...paths, ...paths, ...paths];
                 Promise.all(four.map(ask)).then((all) => process.stdout.write(JSON.stringify(all)));',
                $server->address(),
                ...$paths,
            ],
            timeout: 240,
        );
        $asking->mustRun();

        self::assertSame(array_fill(0, 20, 200), json_decode($asking->getOutput(), true));
    }

    public function testPicturesAreBroughtInARoundOfTheirOwn(): void
    {
        $picture = base64_encode((string) file_get_contents(__DIR__ . '/../../docs/screenshots/desk.png'));
        $html = '<h1>One</h1><p><img alt="a" src="data:image/png;base64,' . $picture . '"></p>';
        $typesetter = new Typesetter($this->engine);
        foreach ([$html, $html . '<p>More.</p>', $html . '<h1>Two</h1>' . $html] as $each) {
            $typeset = $typesetter->typeset(
                Services::formats()->read('x.html', $each)->document,
                'pictured',
                standard: PdfStandard::Tagged,
                staysWarm: true,
            );
            self::assertSame([], $typeset->findings);
            self::assertGreaterThan(50_000, strlen($typeset->pdf));
        }
    }

    public function testWhoIsInLineIsToldThePlaceAndFindsThePagesByAskingAgain(): void
    {
        $documents = [];
        foreach (['a', 'b', 'c', 'd', 'e'] as $name) {
            $text = '# ' . $name . str_repeat("\n\nIt was read and written down. ", 3000);
            $documents[$name] = Services::formats()->read('x.md', $text)->document;
        }
        $typesetter = new Typesetter(self::impatient($this->engine));
        $ask = static function (string $name) use ($typesetter, $documents): int {
            try {
                $typeset = $typesetter->typeset(
                    $documents[$name],
                    $name,
                    [$documents[$name]->outline->idAt(0)->value => 1],
                    staysWarm: true,
                    whenRead: static fn(): null => null,
                );

                self::assertGreaterThan(10, $typeset->map->pages());

                return -1;
            } catch (StillSetting $waiting) {
                return $waiting->place;
            }
        };

        self::assertSame([0, 0, 0, 1, 2], array_map($ask, array_keys($documents)), 'three at work, two in line');
        $waiting = array_keys($documents);
        for ($until = microtime(true) + 60; [] !== $waiting && microtime(true) < $until; usleep(100_000)) {
            $waiting = array_filter($waiting, static fn(string $name): bool => $ask($name) >= 0);
        }
        self::assertSame([], $waiting, 'all pages came');
    }

    public function testAServiceThatHangsHoldsNobodyForLongAndIsReplaced(): void
    {
        $document = Services::formats()->read('one.md', "# One\n\nWords.\n")->document;
        $typesetter = new Typesetter($this->engine);
        $pages = $typesetter->typeset($document, 'one')->map;
        exec('kill -STOP ' . implode(' ', $this->services()));
        $began = microtime(true);
        try {
            $this->engine->exchange(['document' => 'one', 'look' => '', 'main' => '', 'sections' => (object) []], 0.5);
            self::fail('nobody answered');
        } catch (TypesettingFailed) {
            self::assertLessThan(12, microtime(true) - $began);
        } finally {
            exec('kill -9 ' . implode(' ', $this->services()));
        }
        self::assertEquals($pages, $typesetter->typeset($document, 'one')->map);
    }

    public function testAServiceOfAnotherVersionIsNotAsked(): void
    {
        mkdir($this->data . '/typesetting', 0o700);
        $other = stream_socket_server('unix://' . $this->data . '/typesetting/version-0');
        self::assertNotFalse($other);
        $document = Services::formats()->read('one.md', "# One\n\nWords.\n")->document;
        self::assertGreaterThan(0, (new Typesetter($this->engine))->typeset($document, 'one')->map->pages());
        self::assertFileDoesNotExist($this->data . '/typesetting/version-0', 'so that the other one ends');
        $read = [$other];
        $none = [];
        self::assertSame(0, stream_select($read, $none, $none, 0));
    }

    public function testAFolderOfAnotherUserIsRefused(): void
    {
        $folder = $this->data . '/typesetting';
        $document = Services::formats()->read('one.md', "# One\n\nWords.\n")->document;
        $elsewhere = TemporaryFolder::made();
        chmod($elsewhere, 0o700);
        $ways = [
            'a link' => static fn(): bool => symlink($elsewhere, $folder),
            'open to others' => static fn(): bool => mkdir($folder) && chmod($folder, 0o755),
            'a file' => static fn(): bool => touch($folder),
        ];
        if (0 === posix_getuid()) {
            $ways['of another user'] = static fn(): bool => mkdir($folder, 0o700) && chown($folder, self::NOBODY);
        }
        foreach ($ways as $what => $make) {
            self::assertTrue($make());
            try {
                (new Typesetter($this->engine))->typeset($document, 'one');
                self::fail($what);
            } catch (TypesettingFailed $refused) {
                self::assertStringContainsString('belongs to someone else', $refused->getMessage(), $what);
            }
            exec('rm -rf ' . escapeshellarg($folder));
        }
        self::assertSame([], glob($elsewhere . '/*'));
    }

    public function testAnotherUserCanNeitherAskNorAnswer(): void
    {
        if (0 !== posix_getuid()) {
            self::markTestSkipped('Only root can be another user.');
        }
        $document = Services::formats()->read('one.md', "# One\n\nWords.\n")->document;
        (new Typesetter($this->engine))->typeset($document, 'one');
        $sockets = glob($this->data . '/typesetting/version-*') ?: [];
        self::assertCount(1, $sockets);
        chmod($this->data, 0o777);
        $another = static fn(string $script): string => (new Process([
            'setpriv',
            '--reuid',
            (string) self::NOBODY,
            '--regid',
            (string) self::NOBODY,
            '--clear-groups',
            'node',
            '-e',
            $script,
        ]))
            ->mustRun()
            ->getOutput();
        $socket = json_encode($sockets[0], \JSON_THROW_ON_ERROR);
        self::assertSame(
            'EACCES',
            $another(
                "require('net').connect({$socket}).on('error', (e) => process.stdout.write(e.code)).on('connect', () => process.stdout.write('in'))",
            ),
        );
        self::assertSame(
            'EACCES',
            $another(
                "require('net').createServer().on('error', (e) => process.stdout.write(e.code)).listen({$socket} + '-2', () => process.exit())",
            ),
        );
    }

    /** @return list<string> process ids of the services of this test */
    private function services(): array
    {
        return array_values(
            array_filter(
                explode("\n", trim((string) shell_exec('pgrep -f "[s]ervice.mjs version-"'))),
                fn(string $pid): bool => @readlink('/proc/' . $pid . '/cwd') === $this->data . '/typesetting',
            ),
        );
    }

    /** Waits for nothing. */
    private static function impatient(Engine $engine): Engine
    {
        return new class ($engine) implements Engine {
            public function __construct(private Engine $engine) {}

            public function exchange(array $request, ?float $patience = null): array
            {
                return $this->engine->exchange($request, 0);
            }
        };
    }
}
