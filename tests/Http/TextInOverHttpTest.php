<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** Text that comes into an open document: pasted, imported, and what in it looks like headings. */
final class TextInOverHttpTest extends TestCase
{
    private static LiveServer $server;
    private LiveDocument $document;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    protected function setUp(): void
    {
        $this->document = LiveDocument::from(self::$server, "# One\n\nfirst second\n\n## Two\n\ntext\n");
    }

    public function testPastedHeadingsBecomeSectionsUnderTheOneTheyArePastedInto(): void
    {
        $this->paste('<p>before</p><h1>A</h1><p>of a</p><h2>B</h2><p>of b</p>', 7, 7);

        self::assertSame(['1 One', '2 A', '3 B', '2 Two'], $this->document->outline());
        self::assertSame(["first \nbefore", 'of a', "of b\nsecond", 'text'], $this->words());
        $this->document->undo();
        self::assertSame(['1 One', '2 Two'], $this->document->outline(), 'and undone in one step');
    }

    public function testPastedTextWithoutHeadingsStaysText(): void
    {
        $this->paste('<p>one</p><p onclick="alert(1)">two <script>alert(1)</script><b>bold</b></p>', 13, 13);

        self::assertSame(['1 One', '2 Two'], $this->document->outline());
        self::assertSame(["first second\none\ntwo bold", 'text'], $this->words());
        self::assertStringNotContainsString('alert', json_encode($this->document->text(), \JSON_THROW_ON_ERROR));
    }

    public function testWhatIsPastedOverGoes(): void
    {
        $this->paste('<p>third</p>', 7, 13);

        self::assertSame("first \nthird", $this->words()[0]);
    }

    public function testAPastedTextOfAThousandSectionsIsTakenWhole(): void
    {
        $this->paste(
            implode('', array_map(static fn(int $nth): string => "<h2>S{$nth}</h2><p>text {$nth}</p>", range(1, 1000))),
            0,
            0,
        );

        self::assertCount(1002, $this->document->outline());
    }

    public function testAPlaceOutsideTheTextTakesNothing(): void
    {
        $before = $this->document->text();
        $answer = $this->document->post('/paste', [
            'baseRevision' => 1,
            'section' => $this->document->section(0),
            'from' => 0,
            'to' => 999,
            'text' => '<p>x</p>',
            'kind' => 'html',
        ]);

        self::assertSame(
            [422, 'That place is not in the text of this section.'],
            [$answer['status'], $answer['detail']],
        );
        self::assertSame($before, $this->document->text());
    }

    public function testAFileIsReadIntoAPlaceAndTellsWhatBecameOfIt(): void
    {
        $answer = $this->import('after', 1, "# A\n\nSee [nowhere](#nowhere).\n\n## B\n");

        self::assertSame(['1 One', '2 Two', '2 A', '3 B'], $this->document->outline());
        self::assertIsArray($answer['report']);
        $sentences = array_column($answer['report'], 'sentence');
        self::assertContains('2 headings', $sentences);
        self::assertContains('A link leads to a place that is nowhere in the file.', $sentences);
    }

    public function testAFileOfNoKindOrOfTooDeepHeadingsChangesNothing(): void
    {
        $before = $this->document->text();
        $unknown = self::$server->get(
            'POST',
            '/api/documents/' .
                $this->document->id .
                '/import?name=x.xyz&baseRevision=1&landing=after&target=' .
                $this->document->section(0),
            'text',
        );
        self::assertSame(422, $unknown['status']);
        $this->document->operate($this->document->withIds(['name' => 'set-level', 'sections' => ['@1'], 'level' => 9]));
        $deep = $this->import('inside', 1, "# A\n");
        self::assertSame(422, $deep['status']);
        $this->document->undo();
        self::assertSame($before, $this->document->text());
    }

    public function testLikelyHeadingsComeInGroupsWithTheirReasonsAndForOneSectionAlone(): void
    {
        $line = static fn(
            string $words,
        ): string => "**{$words}**\n\nA paragraph of plain text that goes on long enough not to look like anything else.\n\n";
        $document = LiveDocument::from(
            self::$server,
            "# One\n\n" . $line('The first gale') . $line('The second gale') . "# Two\n\n" . $line('The third gale'),
        );
        $groups = $document->get('/likely-headings');

        self::assertCount(1, $groups);
        self::assertIsArray($groups[0]);
        self::assertIsArray($groups[0]['lines']);
        self::assertSame(
            ['The first gale', 'The second gale', 'The third gale'],
            array_column($groups[0]['lines'], 'text'),
        );
        self::assertSame([2, 2, 2], array_column($groups[0]['lines'], 'level'), 'under the heading they stand in');

        $one = $document->get('/likely-headings?section=' . $document->section(1));
        self::assertIsArray($one[0] ?? null);
        self::assertIsArray($one[0]['lines']);
        self::assertSame(['The third gale'], array_column($one[0]['lines'], 'text'));
        self::assertSame([], $document->get('/likely-headings?section=zzzzzzzzzzzz'));
    }

    public function testLinesAreMadeHeadingsAndSeenBeforehand(): void
    {
        $document = LiveDocument::from(self::$server, "# One\n\nThe first gale\n\ntext\n");
        $operation = $document->withIds([
            'name' => 'make-headings',
            'lines' => [['section' => '@0', 'block' => 0, 'level' => 2]],
        ]);
        $preview = $document->post('/previews', ['operation' => $operation]);
        self::assertIsArray($preview['sections']);
        self::assertSame(['One', 'The first gale'], array_column($preview['sections'], 'name'));
        self::assertSame(['1 One'], $document->outline(), 'nothing is done yet');

        $document->operate($operation);
        self::assertSame(['1 One', '2 The first gale'], $document->outline());
    }

    private function paste(string $html, int $from, int $to): void
    {
        $answer = $this->document->post('/paste', [
            'baseRevision' => $this->document->revision(),
            'section' => $this->document->section(0),
            'from' => $from,
            'to' => $to,
            'text' => $html,
            'kind' => 'html',
        ]);
        self::assertArrayHasKey('revision', $answer, json_encode($answer, \JSON_THROW_ON_ERROR));
    }

    /** @return array<mixed> */
    private function import(string $landing, int $position, string $markdown): array
    {
        return self::$server->get(
            'POST',
            '/api/documents/' .
                $this->document->id .
                '/import?name=in.md&baseRevision=' .
                $this->document->revision() .
                '&landing=' .
                $landing .
                '&target=' .
                $this->document->section($position),
            $markdown,
        );
    }

    /** @return list<string> the words of each section, a line for each paragraph */
    private function words(): array
    {
        $lines = [];
        for ($position = 0; $position < $this->document->count(); ++$position) {
            $section = $this->document->section($position);
            $lines[] = implode(
                "\n",
                array_map(self::line(...), (array) ((array) $this->document->text()['bodies'])[$section]),
            );
        }

        return $lines;
    }

    private static function line(mixed $block): string
    {
        $words = '';
        foreach (is_array($block) && is_array($block['content'] ?? null) ? $block['content'] : [] as $run) {
            $words .= is_array($run) && is_string($run['text'] ?? null) ? $run['text'] : '';
        }

        return $words;
    }
}
