<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** What can be read of a document and of the desk, and how the desk is changed. */
final class DocumentOverHttpTest extends TestCase
{
    private const TEXT = "# Coast\n\nThe lamp was lit. See [the logs](#logs).\n\n## Lights\n\n## Fog\n\nBells and more bells.\n\n# Logs\n\nEvery watch.\n";

    private static LiveServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    public function testTheSkeletonHasOrderLevelsAndFacts(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        $skeleton = $document->get();
        self::assertIsArray($skeleton['outline']);
        self::assertSame('1221', $skeleton['outline']['levels']);
        self::assertIsArray($skeleton['sections']);
        self::assertSame(['Coast', 'Lights', 'Fog', 'Logs'], array_column($skeleton['sections'], 'heading'));
    }

    public function testTheDeskTellsHowManyWordsStandAtEachStage(): void
    {
        $document = LiveDocument::from(self::$server, "# Coast\n\none two\n\n# Lights\n\nthree\n\n# Fog\n");
        $stages = static function () use ($document): mixed {
            foreach (self::$server->get('GET', '/api/documents') as $card) {
                if (is_array($card) && $document->id === $card['id']) {
                    return $card['stageWords'];
                }
            }

            return null;
        };
        $document->operate(['name' => 'describe-section', 'sections' => [$document->section(0)], 'stage' => 'drafted']);
        $document->operate(['name' => 'describe-section', 'sections' => [$document->section(2)], 'stage' => 'idea']);
        self::assertSame(['' => 1, 'idea' => 1, 'drafted' => 2, 'revised' => 0, 'settled' => 0], $stages());
        $document->operate(['name' => 'describe-section', 'sections' => [$document->section(1)], 'stage' => 'drafted']);
        self::assertSame(['' => 0, 'idea' => 1, 'drafted' => 3, 'revised' => 0, 'settled' => 0], $stages());
    }

    public function testOffcutsSayWhereTheyCameFromAndWhatTheyAre(): void
    {
        $document = LiveDocument::from(self::$server, "Words before.\n\n" . self::TEXT);
        $document->operate(['name' => 'set-text-aside', 'section' => $document->section(1), 'from' => 1, 'to' => 3]);
        $document->operate(['name' => 'delete', 'sections' => [$document->section(2)]]);
        $document->operate(['name' => 'delete', 'sections' => [$document->section(0)]]);
        $offcuts = $document->get('/offcuts');

        self::assertSame(['set-aside', 'deleted', 'deleted'], array_reverse(array_column($offcuts, 'reason')));
        self::assertSame(['Coast', 'Coast', null], array_reverse(array_column($offcuts, 'from')));
        self::assertSame(
            [true, false, false],
            array_reverse(array_column($offcuts, 'passage')),
            'an opening is not a passage of a text',
        );
    }

    public function testABookmarkThatIsGoneIsFoundByItsNameWhileLinksLeadToIt(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# Coast\n\nThe <a id=\"mole\" class=\"bookmark\"></a>mole.\n\n# Vane\n\nSee [it](#mole).\n",
        );
        $find = static fn(string $name): mixed => $document->get('/former-bookmark?name=' . urlencode($name))['id'];
        $bookmark = $document->get('/places')['bookmarks'];
        self::assertIsArray($bookmark);
        self::assertIsArray($bookmark[0]);
        self::assertNull($find('mole'), 'it is still there');

        $document->operate(['name' => 'replace-body', 'section' => $document->section(0), 'body' => []]);
        self::assertSame($bookmark[0]['id'], $find('mole'));
        self::assertNull($find('wall'));

        $document->operate(['name' => 'replace-body', 'section' => $document->section(1), 'body' => []]);
        self::assertNull($find('mole'), 'nothing leads there any more');
    }

    public function testCaptionsAndFootnotesAreCountedForTheScreen(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# Coast\n\nA[^a] B[^b]\n\n# Vane\n\n<table><caption>Sums</caption><tr><td>1</td></tr></table>\n\nC[^c]\n\n[^a]: a\n[^b]: b\n[^c]: c\n",
        );
        $counts = $document->get('/counts');

        self::assertSame([$document->section(0) => 1, $document->section(1) => 3], $counts['firstNotes']);
        self::assertSame([$document->section(1) => ['Table 1']], $counts['captions']);
        self::assertSame([], $counts['namedCaptions']);

        $document->operate([
            'name' => 'bookmark-caption',
            'section' => $document->section(1),
            'index' => 0,
            'bookmark' => 'abcdefghijkl',
        ]);
        self::assertSame(
            ['abcdefghijkl' => ['label' => 'Table 1', 'words' => 'Sums']],
            $document->get('/counts')['namedCaptions'],
        );
    }

    public function testAChangeIsTheTimeOfTheDocument(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        $changedAt = static function () use ($document): int {
            foreach (self::$server->get('GET', '/api/documents') as $card) {
                if (is_array($card) && $card['id'] === $document->id && is_int($card['changedAt'] ?? null)) {
                    return $card['changedAt'];
                }
            }
            self::fail('The document is on the desk.');
        };
        $before = $changedAt();
        // Times are whole seconds.
        usleep(1_100_000);
        $document->type(0, 'Typed.');

        self::assertGreaterThan($before, $changedAt());
    }

    public function testOnlyTheTextsThatTheWindowOpensOnComeWithTheSkeleton(): void
    {
        $long = str_repeat('word ', 6000);
        $document = LiveDocument::from(
            self::$server,
            implode(
                "\n\n",
                array_map(
                    static fn(int $nth): string => "# S$nth\n\n" . (15 === $nth ? $long : 'a few words'),
                    range(0, 29),
                ),
            ),
        );
        $sections = array_map($document->section(...), range(0, 29));
        $opened = static function () use ($document, $sections): array {
            $texts = array_column((array) $document->get()['texts'], 'id');

            return array_keys(array_filter($sections, static fn(string $id): bool => in_array($id, $texts, true)));
        };

        self::assertSame(range(0, 5), $opened());
        self::$server->find('PUT', '/api/documents/' . $document->id . '/resume-point', [
            'section' => $sections[20],
            'position' => 1,
        ]);
        self::assertSame(range(18, 25), $opened());
        self::$server->find('PUT', '/api/documents/' . $document->id . '/resume-point', [
            'section' => $sections[14],
            'position' => 1,
        ]);
        self::assertSame([12, 13, 14, 16, 17, 18, 19], $opened(), 'a book of its own is asked for when it is come to');
        self::assertStringContainsString(
            'rel=preload',
            self::$server->headers('/documents/' . $document->id)['link'] ?? '',
            'and the page has them sent for at once',
        );
    }

    public function testFiguresAreNumbersCountsOfBranchesAndWhatIsOverItsTarget(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        $document->operate(['name' => 'describe-section', 'sections' => [$document->section(2)], 'target' => 2]);
        $counts = $document->get('/counts');
        self::assertSame(['1', '1.1', '1.2', '2'], $counts['numbers']);
        // Own words by UAX #29; a branch has those of all that is under it.
        self::assertSame([11, 0, 4, 2], $counts['branchWords']);
        self::assertSame(13, $counts['words']);
        self::assertSame([$document->section(2)], $counts['overTarget']);
        self::assertSame(238, $counts['readingSpeed'], 'Brysbaert 2019');
    }

    public function testTextsAreThoseAskedForAndIdsOfOtherDocumentsGiveNothing(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        $other = LiveDocument::from(self::$server, "# Secret\n\nhidden\n");
        $texts = $document->get(
            '/texts?sections=' . $document->section(3) . ',' . $other->section(0) . ',zzzzzzzzzzzz,%27',
        );
        self::assertSame([$document->section(3)], array_column($texts, 'id'));
        self::assertStringContainsString('Every watch.', json_encode($texts, \JSON_THROW_ON_ERROR));
        self::assertSame([], $document->get('/texts?sections='));
    }

    public function testPlacesAreBookmarksAndLinksWithWhatIsBroken(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        $links = $document->get('/places')['links'];
        self::assertIsArray($links);
        self::assertSame(
            [
                [
                    'section' => $document->section(0),
                    'target' => $document->section(3),
                    'words' => 'the logs',
                    'broken' => false,
                ],
            ],
            $links,
        );
        $document->operate(['name' => 'delete', 'sections' => [$document->section(3)]]);
        $links = $document->get('/places')['links'];
        self::assertIsArray($links);
        self::assertSame([true], array_column($links, 'broken'));
        $findings = $document->get('/findings');
        self::assertContains('broken-link', array_column($findings, 'rule'));
    }

    public function testAFileIsTheDocumentAndReadsBackTheSame(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        foreach (['md', 'html'] as $format) {
            $file = self::$server->text('/api/documents/' . $document->id . '/export?format=' . $format);
            $again = self::$server->get('POST', '/api/documents/import?name=again.' . $format, $file);
            self::assertIsString($again['id']);
            self::assertSame(
                ['1 Coast', '2 Lights', '2 Fog', '1 Logs'],
                LiveDocument::withId(self::$server, $again['id'])->outline(),
                $format,
            );
        }
        self::assertStringStartsWith(
            '"Stemmata does not write “exe”; it writes .docx, ',
            (string) json_encode($document->get('/export?format=exe')['detail'] ?? null, \JSON_UNESCAPED_UNICODE),
        );
    }

    /** @return iterable<string, array{string, string, int}> */
    public static function unknown(): iterable
    {
        foreach (
            [
                '',
                '/counts',
                '/texts?sections=a',
                '/places',
                '/findings',
                '/offcuts',
                '/changes?since=1',
                '/history',
                '/history/milestones',
                '/likely-headings',
                '/export?format=md',
            ]
            as $path
        ) {
            yield 'a document that is not there: ' . $path => ['/api/documents/zzzzzzzzzzzz' . $path, 'GET', 404];
        }
        yield 'an address that is none' => ['/api/nothing', 'GET', 404];
        yield 'a method that is none' => ['/api/documents', 'PATCH', 405];
    }

    #[DataProvider('unknown')]
    public function testWhatIsNotThereIsSaidInASentence(string $path, string $method, int $status): void
    {
        $answer = self::$server->get($method, $path);
        self::assertSame($status, $answer['status']);
        self::assertIsString($answer['detail']);
        self::assertStringEndsWith('.', $answer['detail']);
    }

    public function testABlankDocumentHasAnEmptyTextToWriteInAndNoSectionBesides(): void
    {
        $starters = self::$server->get('GET', '/api/starters');
        self::assertIsArray($starters[0]);
        self::assertSame(['blank', []], [$starters[0]['id'], $starters[0]['parts']]);
        $made = self::$server->get('POST', '/api/documents', ['title' => 'Blank', 'starter' => 'blank']);
        $document = LiveDocument::withId(self::$server, is_string($made['id'] ?? null) ? $made['id'] : '');
        self::assertSame(['0'], $document->outline());
    }

    public function testADocumentIsMadeTakenOffTheDeskAndPutBack(): void
    {
        $made = self::$server->get('POST', '/api/documents', ['title' => 'A new one']);
        self::assertIsString($made['id']);
        $titles = static fn(): array => array_column(self::$server->get('GET', '/api/documents'), 'title');
        self::assertContains('A new one', $titles());
        self::$server->find('DELETE', '/api/documents/' . $made['id']);
        self::assertNotContains('A new one', $titles());
        self::assertSame(404, self::$server->get('GET', '/api/documents/' . $made['id'])['status']);
        self::$server->get('POST', '/api/documents/' . $made['id'] . '/restore');
        self::assertContains('A new one', $titles());
        self::assertSame(
            400,
            self::$server->get('POST', '/api/documents', ['title' => 'x', 'starter' => 'never'])['status'],
        );
    }

    public function testAStarterIsKeptOfferedAndForgotten(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        $kept = $document->post('/starter', ['name' => 'Coast book']);
        self::assertIsString($kept['id']);
        self::assertContains('Coast book', array_column(self::$server->get('GET', '/api/starters'), 'name'));
        $made = self::$server->get('POST', '/api/documents', ['title' => 'From it', 'starter' => $kept['id']]);
        self::assertIsString($made['id']);
        $begun = LiveDocument::withId(self::$server, $made['id']);
        self::assertSame(['1 Coast', '2 Lights', '2 Fog', '1 Logs'], $begun->outline());
        self::assertStringNotContainsString(
            'lamp',
            json_encode($begun->text(), \JSON_THROW_ON_ERROR),
            'headings are kept, the text is not',
        );
        self::$server->find('DELETE', '/api/starters/' . $kept['id']);
        self::assertNotContains('Coast book', array_column(self::$server->get('GET', '/api/starters'), 'name'));
        self::assertSame(400, $document->post('/starter', ['name' => ' '])['status']);
    }

    public function testTheResumePointIsNoChangeOfTheText(): void
    {
        $document = LiveDocument::from(self::$server, self::TEXT);
        self::$server->find('PUT', '/api/documents/' . $document->id . '/resume-point', [
            'section' => $document->section(2),
            'position' => 7,
        ]);
        $skeleton = $document->get();
        self::assertSame(
            [$document->section(2), 7, 1],
            [$skeleton['resumeSection'], $skeleton['resumePosition'], $skeleton['revision']],
        );
        self::assertSame([], $document->steps());
    }

    public function testCalculationsAreExactOverHttpToo(): void
    {
        $result = static fn(string $expression): mixed => self::$server->get('POST', '/api/calculations', [
            'expression' => $expression,
        ])['result'];
        $ways = $result('20!/(3!*17!)');
        self::assertIsString($ways);
        self::assertSame('1140', preg_replace('/\D/', '', $ways));
        self::assertNull($result('1/0'));
        self::assertNull($result(str_repeat('(', 500)));
    }

    public function testPagesForbidForeignScriptsAndAreNotKept(): void
    {
        $headers = self::$server->headers('/');
        self::assertStringContainsString("script-src 'self'", $headers['content-security-policy']);
        self::assertStringContainsString("frame-ancestors 'none'", $headers['content-security-policy']);
        self::assertSame('nosniff', $headers['x-content-type-options']);
        self::assertStringContainsString('no-store', self::$server->headers('/api/documents')['cache-control']);
    }
}
