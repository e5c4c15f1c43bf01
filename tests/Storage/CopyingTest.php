<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** Documents and branches that are copied: the copy leads to itself, and the original stays as it is. */
final class CopyingTest extends TestCase
{
    private const TEXT = "---\ntitle: Lamps\n---\n\n# One\n\nSee [two](#two), [the oil](#oil) and [the web](https://example.org).\n\n## Two\n\nThe <span id=\"oil\">oil</span> is here.[^1]\n\n### Three\n\nc\n\n# Four\n\nBack to [one](#one).\n\n[^1]: A note.\n";

    private LiveServer $server;
    private LiveDocument $document;

    protected function setUp(): void
    {
        $this->server = LiveServer::overEmptyDatabase();
        $this->document = LiveDocument::from($this->server, self::TEXT);
    }

    public function testACopyHasPlacesOfItsOwnThatItsLinksLeadTo(): void
    {
        $before = $this->document->text();
        $copy = $this->made($this->document->post('/copy', []));

        self::assertSame($before, $this->document->text());
        self::assertSame($this->document->outline(), $copy->outline());
        self::assertSame([], array_intersect($this->ids($copy), $this->ids($this->document)));
        self::assertSame(
            ['title' => 'Copy of Lamps'],
            array_intersect_key((array) $copy->get()['titleBlock'], ['title' => 1]),
        );
        [$places, $targets] = self::placesAndTargets($copy);
        self::assertCount(4, $targets);
        self::assertSame(['https://example.org'], array_values(array_diff($targets, $places)));
        self::assertSame(
            preg_replace('/[a-z][0-9a-z]{11}/', 'id', self::words($this->document)),
            preg_replace('/[a-z][0-9a-z]{11}/', 'id', self::words($copy)),
        );
        $this->document->post('/copy', []);
        self::assertCount(3, $this->server->get('GET', '/api/documents'));
    }

    public function testBranchesThatAreKeptBeginAtTheFirstLevelAndStandApart(): void
    {
        $kept = $this->made(
            $this->server->get('POST', '/api/standing', [
                'document' => $this->document->id,
                'sections' => $this->document->section(1) . ',' . $this->document->section(3),
            ]),
        );

        self::assertSame(['1 Two', '2 Three', '1 Four'], $kept->outline());
        self::assertSame('Two', ((array) $kept->get()['titleBlock'])['title'] ?? null);
        [$places, $targets] = self::placesAndTargets($kept);
        self::assertCount(1, $targets);
        self::assertSame([], array_intersect($places, $targets), 'what is not kept is led to as it was');
        self::assertSame(
            ['status' => 400, 'detail' => 'Say which sections are to be kept.'],
            array_intersect_key($this->keep(''), ['detail' => true, 'status' => true]),
        );
    }

    public function testWordsOfASectionAreKeptWithoutItsHeading(): void
    {
        $section = $this->document->section(1);
        $kept = $this->made($this->keep($section, 1, 8));
        self::assertSame(['0'], $kept->outline());
        self::assertStringContainsString('"The "', self::words($kept));
        self::assertStringNotContainsString('is here', self::words($kept));

        $refusals = [[$section, -1, 5], [$section, 0, 10_000], [$section, 3, 3], ['zzzzzzzzzzzz', 0, 5]];
        foreach ($refusals as [$of, $from, $to]) {
            $answer = $this->keep($of, $from, $to);
            self::assertSame(422, $answer['status'] ?? null, "$of $from $to");
            self::assertIsString($answer['detail']);
        }
    }

    /** @return array<mixed> */
    private function keep(string $sections, ?int $from = null, ?int $to = null): array
    {
        return $this->server->get('POST', '/api/standing', [
            'document' => $this->document->id,
            'sections' => $sections,
            'from' => $from,
            'to' => $to,
        ]);
    }

    /** @param array<mixed> $answer */
    private function made(array $answer): LiveDocument
    {
        self::assertIsString($answer['id'] ?? null, (string) json_encode($answer));

        return LiveDocument::withId($this->server, $answer['id']);
    }

    private static function words(LiveDocument $document): string
    {
        $text = $document->text();

        return json_encode(
            [
                $text['outline'],
                array_map(
                    static fn(string $id): mixed => ((array) $text['bodies'])[$id],
                    array_filter((array) $text['ids'], is_string(...)),
                ),
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    /** @return list<string> */
    private function ids(LiveDocument $document): array
    {
        return array_map($document->section(...), range(0, $document->count() - 1));
    }

    /** @return array{list<string>, list<string>} what can be led to, and what links lead to */
    private static function placesAndTargets(LiveDocument $document): array
    {
        $words = self::words($document);
        preg_match_all('/"type":"bookmark","attrs":\{"id":"([a-z0-9]+)"/', $words, $bookmarks);
        preg_match_all('/"href":"([^"]+)"/', $words, $targets);
        $ids = array_filter((array) $document->text()['ids'], is_string(...));

        return [
            [
                ...array_values(array_map(static fn(string $id): string => 'section:' . $id, $ids)),
                ...array_map(static fn(string $id): string => 'bookmark:' . $id, $bookmarks[1]),
            ],
            $targets[1],
        ];
    }
}
