<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\PrintedPages;
use Symfony\Component\Process\Process;

/** Pages follow the text, and say the same in every answer. */
final class PagesOverHttpTest extends TestCase
{
    private static LiveServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    public static function tearDownAfterClass(): void
    {
        self::$server->kill();
    }

    public function testPagesFollowEveryChangeAndUndo(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# Lamps\n\nThe old lamp.\n\n# Oil\n\nLamp oil.\n\n# Log\n\nOf the weather.\n",
        );
        self::assertSame(['1', '2', '3'], $this->pages($document));
        $document->operate(['name' => 'use-house-style', 'style' => 'report']);
        self::assertSame(['2', '2', '2'], $this->pages($document), 'chapters follow each other, after the title page');
        $document->undo();
        self::assertSame(['1', '2', '3'], $this->pages($document));

        $long = str_repeat('It was read and written down. ', 400);
        $document->type(0, $long);
        [$first, $second] = $this->pages($document);
        self::assertSame('1', $first);
        self::assertGreaterThan(4, (int) $second);
        $document->operate(['name' => 'move-down', 'sections' => [$document->section(0)]]);
        self::assertSame(['1', '2'], array_slice($this->pages($document), 0, 2), 'the short one comes first now');
        $document->undo();
        $document->undo();
        self::assertSame(['1', '2', '3'], $this->pages($document));
    }

    public function testNothingOfTheDatabaseIsHeldWhilePagesAreMade(): void
    {
        $server = LiveServer::overEmptyDatabase(workers: 2);
        $document = LiveDocument::from(
            $server,
            str_repeat("# Lamps\n\n" . str_repeat('It was read and written down. ', 200) . "\n\n", 150),
        );
        $path = '/api/documents/' . $document->id;
        $asking = new Process([
            'node',
            '-e',
            'fetch(process.argv[1]).then(async (answer) => { await answer.text(); process.stdout.write(String(answer.status)); });',
            $server->address() . $path . '/pages',
        ]);
        $asking->start();
        usleep(1_500_000);
        self::assertTrue($asking->isRunning(), 'the pages are being made');
        $document->type(0, 'Written meanwhile.');
        // https://www.sqlite.org/pragma.html#pragma_wal_checkpoint: the first column is 1 when a reader is in the way.
        $log = (new \PDO('sqlite:' . $server->data . '/stemmata.sqlite'))->query('PRAGMA wal_checkpoint(TRUNCATE)');
        self::assertSame(0, false === $log ? null : $log->fetchColumn());
        self::assertTrue($asking->isRunning(), 'and still are');
        $asking->wait();
        self::assertContains($asking->getOutput(), ['200', '202']);
    }

    public function testTheFileIsWhatThePagesAre(): void
    {
        $document = LiveDocument::from(self::$server, "# Lamps\n\nThe old lamp.\n\n# Oil\n\nLamp oil.\n");
        $path = '/api/documents/' . $document->id . '/pages.pdf';
        $whole = PrintedPages::of(self::$server->text($path . '?standard=ua-1'))->texts('-layout');
        self::assertStringContainsString('1 Lamps', implode("\n", $whole));
        self::assertCount(count((array) ($document->get('/pages')['labels'] ?? [])), $whole);
        $branch = PrintedPages::of(self::$server->text($path . '?sections=' . $document->section(1)))->texts('-layout');
        self::assertStringContainsString('2 Oil', $branch[0]);
        self::assertStringNotContainsString('Lamps', implode("\n", $branch));
        $kept = PrintedPages::of(
            self::$server->text($path . '?pageNumbers=kept&sections=' . $document->section(1)),
        )->texts('-layout');
        self::assertMatchesRegularExpression('/\n\s+1\s*\z/', rtrim($branch[0]));
        self::assertMatchesRegularExpression('/\n\s+2\s*\z/', rtrim($kept[0]), 'as in the whole');
        self::assertStringContainsString(
            '%PDF',
            self::$server->text('/api/documents/' . $document->id . '/export?format=pdf'),
        );
    }

    /** Proof shows a file and a map of it; of two states they would lead from a line to another one. */
    public function testTheFileIsOfTheRevisionThatIsAskedForOrNone(): void
    {
        $document = LiveDocument::from(self::$server, "# Lamps\n\nThe old lamp.\n");
        $revision = $document->revision();
        $path = '/api/documents/' . $document->id . '/pages.pdf?revision=' . $revision;
        self::assertStringStartsWith('%PDF', self::$server->text($path));
        $document->type(0, 'The new lamp.');
        $passed = self::$server->get('GET', $path);
        self::assertSame([409, 'stale'], [$passed['status'], $passed['reason']]);
        $newest = '/api/documents/' . $document->id . '/pages.pdf?revision=' . ($revision + 1);
        self::assertStringContainsString(
            'The new lamp.',
            implode('', PrintedPages::of(self::$server->text($newest))->texts()),
        );
    }

    public function testTheDeskKnowsHowManyPagesThereAre(): void
    {
        $document = LiveDocument::from(self::$server, "# Lamps\n\nThe old lamp.\n");
        $card = static function () use ($document): array {
            $cards = json_decode(self::$server->text('/api/documents'), true);
            $own = array_filter(
                (array) $cards,
                static fn(mixed $each): bool => is_array($each) && $document->id === ($each['id'] ?? null),
            );
            $card = (array) array_pop($own);

            return [$card['pages'] ?? null, $card['arePagesBehind'] ?? null];
        };
        self::assertSame([null, true], $card());
        $labels = (array) ($document->get('/pages')['labels'] ?? []);
        self::assertSame([count($labels), false], $card());
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'Lanterns']);
        self::assertSame([count($labels), true], $card(), 'until they are set again');
    }

    public function testPagesAreSetUpAndWhatCannotBeIsRefused(): void
    {
        $document = LiveDocument::from(self::$server, "# Lamps\n\nThe old lamp.\n");
        $setup = $document->get('/page-setup');
        self::assertSame('reading', $setup['houseStyle'] ?? null);
        self::assertFalse($setup['isOwn'] ?? null);
        $refused = $document->operate(['name' => 'set-up-pages', 'pages' => ['margins' => ['top' => 1]]]);
        self::assertSame('Each margin must be from 5 to 80 millimetres.', $refused['detail'] ?? null);
        $document->operate(['name' => 'set-up-pages', 'pages' => ['titleLines' => ['A draft']]]);
        // From another window, which has not read that yet.
        $document->operate(['name' => 'set-up-pages', 'pages' => ['romanFront' => true]]);
        $setup = $document->get('/page-setup');
        self::assertTrue($setup['isOwn'] ?? null);
        $pages = (array) ($setup['pages'] ?? []);
        self::assertSame(['A draft'], $pages['titleLines'] ?? null);
        self::assertTrue($pages['romanFront'] ?? null);
    }

    public function testContentsSayWhatRefreshingWouldChange(): void
    {
        $document = LiveDocument::from(self::$server, "Words.\n\n# Lamps\n\nThe old lamp.\n\n# Oil\n\nLamp oil.\n");
        $holder = $document->section(0);
        $document->operate(['name' => 'generate-contents', 'section' => $holder, 'from' => 1, 'to' => 2]);
        $oil = $document->section(2);
        $document->operate([
            'name' => 'change-contents-line',
            'section' => $holder,
            'index' => 0,
            'line' => $oil,
            'words' => 'Of oil',
        ]);
        $document->operate(['name' => 'rename', 'section' => $document->section(1), 'heading' => 'Lanterns']);
        $contents = $document->get('/contents')[0] ?? null;
        self::assertIsArray($contents);
        self::assertSame(
            [
                [
                    'section' => $document->section(1),
                    'sentence' => '“1 Lamps” is now “1 Lanterns”',
                    'lines' => [$document->section(1)],
                ],
            ],
            $contents['differences'] ?? null,
        );
        $document->operate([
            'name' => 'set-up-contents',
            'section' => $holder,
            'index' => 0,
            'always' => true,
        ]);
        $typed = $document->operate([
            'name' => 'rename',
            'section' => $document->section(1),
            'heading' => [['type' => 'text', 'text' => 'Wicks']],
        ]);
        self::assertSame(
            [$holder],
            array_column((array) ($typed['texts'] ?? []), 'id'),
            'the window that typed is told',
        );
        self::assertStringContainsString('Wicks', json_encode($typed['texts'] ?? [], \JSON_THROW_ON_ERROR));
        $contents = $document->get('/contents')[0] ?? null;
        self::assertIsArray($contents);
        self::assertSame([], $contents['differences'] ?? null, 'they follow by themselves');
        self::assertSame(['Wicks', 'Oil'], array_column((array) ($contents['lines'] ?? []), 'heading'));
        self::assertSame([null, 'Of oil'], array_column((array) ($contents['lines'] ?? []), 'words'));
    }

    /** @return list<string> what is printed on the page of each section */
    private function pages(LiveDocument $document): array
    {
        $answer = $document->get('/pages');
        self::assertSame($document->revision(), $answer['revision'] ?? null);
        self::assertSame([], $answer['findings'] ?? null);
        $labels = [];
        for ($position = 0; $position < $document->count(); ++$position) {
            $spot = ((array) ($answer['sections'] ?? []))[$document->section($position)] ?? [];
            $label = is_array($spot) ? $spot['label'] ?? '' : '';
            $labels[] = is_string($label) ? $label : '';
        }

        return $labels;
    }
}
