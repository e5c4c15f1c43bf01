<?php

declare(strict_types=1);

namespace Stemmata\Tests\Command;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/** The console's contract. */
final class ConsoleTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = TemporaryFolder::made();
        file_put_contents($this->folder . '/in.md', "---\ntitle: Logs\n---\n\n# One\n\ntwo words\n\n### Deep *down*\n");
    }

    public function testOutline(): void
    {
        self::assertSame(
            [
                'title' => 'Logs',
                'sections' => [
                    ['level' => 1, 'number' => '1', 'heading' => 'One', 'words' => 2],
                    ['level' => 3, 'number' => '1.1', 'heading' => 'Deep down', 'words' => 0],
                ],
                'warnings' => [],
            ],
            json_decode($this->console('stemmata:outline', $this->folder . '/in.md', '--json')->getOutput(), true),
        );
    }

    public function testCheck(): void
    {
        $answer = json_decode($this->console('stemmata:check', $this->folder . '/in.md', '--json')->getOutput(), true);

        self::assertSame(
            [
                'findings' => [
                    [
                        'rule' => 'skipped-level',
                        'section' => 1,
                        'message' => 'Level 3 follows level 1; level 2 is skipped.',
                        'source' => 'WCAG 2.2 technique G141; PDF/UA-1 7.4.2',
                    ],
                ],
            ],
            $answer,
        );
        $strict = fn(string $file): ?int => $this->console('stemmata:check', $file, '--strict')->getExitCode();
        self::assertSame(0, $this->console('stemmata:check', $this->folder . '/in.md')->getExitCode());
        self::assertSame(1, $strict($this->folder . '/in.md'));
        file_put_contents($this->folder . '/sound.md', "---\ntitle: T\n---\n\n# One\n\nWords.\n");
        self::assertSame(0, $strict($this->folder . '/sound.md'));
    }

    public function testCheckOfPagesToo(): void
    {
        $row = '<tr>' . str_repeat('<th>Measurement</th>', 30) . '</tr>';
        file_put_contents($this->folder . '/wide.html', '<h1>Wide</h1><table>' . $row . $row . '</table>');
        $check = $this->console('stemmata:check', $this->folder . '/wide.html', '--pages');

        self::assertStringContainsString('“Wide”: A table here is wider than the page', $check->getOutput());
    }

    public function testConvertToPagesInAHouseStyle(): void
    {
        $out = $this->folder . '/out.pdf';
        $this->console('stemmata:convert', $this->folder . '/in.md', $out, '--contents', '--house-style=Academic');
        $pages = PrintedPages::of((string) file_get_contents($out));
        self::assertStringContainsString('1 One', implode("\n", $pages->texts('-layout')));
        self::assertStringContainsString('STIXTwoText', implode(' ', array_column($pages->faces(), 0)));

        file_put_contents($out, 'as it was');
        $refused = $this->console('stemmata:convert', $this->folder . '/in.md', $out, '--house-style=None');
        self::assertSame(1, $refused->getExitCode());
        self::assertSame("There is no house style “None”.\n", $refused->getErrorOutput());
        self::assertStringEqualsFile($out, 'as it was');
    }

    public function testConvertThereAndBackWithContents(): void
    {
        self::assertSame(
            0,
            $this->console(
                'stemmata:convert',
                $this->folder . '/in.md',
                $this->folder . '/out.html',
                '--contents',
            )->getExitCode(),
        );
        self::assertSame(
            0,
            $this->console('stemmata:convert', $this->folder . '/out.html', $this->folder . '/again.md')->getExitCode(),
        );
        $again = (string) file_get_contents($this->folder . '/again.md');
        self::assertStringContainsString('- [1.1 Deep down](<#sec-deep-down>)', $again);
        self::assertStringContainsString('### Deep *down* <a id="sec-deep-down"></a>', $again);
    }

    public function testErrorsAreOnePlainLine(): void
    {
        foreach (
            [
                ['stemmata:outline', '/nowhere.md'],
                ['stemmata:convert', $this->folder . '/in.md', $this->folder . '/out.xyz'],
                ['stemmata:convert', $this->folder . '/in.md', '/nowhere/out.md'],
                ['stemmata:check', __FILE__],
            ]
            as $arguments
        ) {
            $run = $this->console(...$arguments);
            self::assertSame(1, $run->getExitCode());
            self::assertSame('', $run->getOutput());
            self::assertMatchesRegularExpression('/\A[\p{Lu}“][^\n]*\.\n\z/u', $run->getErrorOutput());
        }
    }

    public function testTheDemoComesWithAHistoryToLookInto(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $demo = new Process(['php', 'bin/console', 'stemmata:demo'], dirname(__DIR__, 2), [
            'APP_ENV' => 'prod',
            'STEMMATA_DATA' => $server->data,
        ]);
        $demo->mustRun();
        $documents = $server->get('GET', '/api/documents');
        self::assertSame(
            ['The Keepers’ Weather', 'Handbook of the Hallin Records Office', 'Did the keepers copy their readings?'],
            array_column($documents, 'title'),
        );

        $id = array_column($documents, 'id')[0];
        self::assertIsString($id);
        $keepers = LiveDocument::withId($server, $id);
        $lines = array_column($keepers->steps(), 'label');
        self::assertContains('Moved “Sea and swell” before “The instrument itself”', $lines);
        self::assertContains('Set aside “The price of a candle”', $lines);
        self::assertContains('Wrote in “Reading the barometer”', $lines);
        self::assertSame(
            ['Sent to the second reader', 'Read aloud at Hallin'],
            array_column($keepers->get('/history/milestones'), 'name'),
        );
        self::assertCount(2, $keepers->get('/offcuts'));
        self::assertSame(
            ['broken-link', 'skipped-level'],
            array_column($keepers->get('/findings'), 'rule'),
            'and with honest faults',
        );
    }

    private function console(string ...$arguments): Process
    {
        $process = new Process(['php', 'bin/console', ...array_values($arguments)], dirname(__DIR__, 2), [
            'APP_ENV' => 'prod',
        ]);
        $process->run();

        return $process;
    }
}
