<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** What is looked for is found as the texts are at that moment, and replaced in one step. */
final class FindOverHttpTest extends TestCase
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

    public function testWhatIsFoundFollowsEveryChange(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# Lamps\n\nThe old lamp.\n\n## Oil\n\nLamp oil, and no light.\n\n# Zoë’s log\n\nOf the weather.\n",
        );
        self::assertSame(['Lamps 2', 'Oil 1'], $this->found($document, ['words' => 'lamp']));
        self::assertSame(['Zoë’s log 1'], $this->found($document, ['words' => 'zoe']));
        self::assertSame(['Lamps 1', 'Oil 1'], $this->found($document, ['words' => 'la', 'fields' => ['text']]));
        self::assertSame(['Oil 1'], $this->found($document, ['words' => 'lamp'], $document->section(1)));

        $document->type(2, 'A lamp as well.');
        self::assertSame(['Lamps 2', 'Oil 1', 'Zoë’s log 1'], $this->found($document, ['words' => 'lamp']));
        $document->operate([
            'name' => 'describe-section',
            'sections' => [$document->section(2)],
            'aim' => 'Say which lamp',
        ]);
        self::assertSame(['Zoë’s log 2'], $this->found($document, ['words' => 'lamp'], $document->section(2)));

        $document->operate(['name' => 'delete', 'sections' => [$document->section(1)]]);
        self::assertSame(
            ['Lamps 2', 'Zoë’s log 2'],
            $this->found($document, ['words' => 'lamp']),
            'what is deleted is not found',
        );
        $answer = $document->post('/find', ['query' => ['words' => 'lamp'], 'offcuts' => true]);
        self::assertSame(
            [['Oil', 1]],
            array_map(
                static fn(mixed $each): array => is_array($each) ? [$each['name'], $each['count']] : [],
                (array) ($answer['offcuts'] ?? []),
            ),
            'but for among the offcuts, when they are asked for',
        );
        $document->undo();
        self::assertSame(['Lamps 2', 'Oil 1', 'Zoë’s log 2'], $this->found($document, ['words' => 'lamp']));
    }

    public function testAllIsReplacedInOneStepAndUndoneInOne(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# A lamp\n\nThe **la**mp[^1].\n\n# B\n\nlamps\n\n[^1]: Of a lamp.\n",
        );
        $before = $this->written($document);
        $answer = $document->operate([
            'name' => 'replace-found',
            'query' => ['words' => 'lamp'],
            'with' => 'light',
            'sections' => [$document->section(0), $document->section(1)],
        ]);

        self::assertStringContainsString('4 places were changed.', (string) json_encode($answer));
        self::assertSame(
            str_replace(['<strong>la</strong>mp', 'lamp'], ['<strong>light</strong>', 'light'], $before),
            $this->written($document),
        );
        self::assertSame([], $this->found($document, ['words' => 'lamp']));
        $document->undo();
        self::assertSame($before, $this->written($document));
        self::assertSame(['A lamp 3', 'B 1'], $this->found($document, ['words' => 'lamp']));
    }

    public function testAllDocumentsOfTheDeskAreLookedThrough(): void
    {
        LiveDocument::from(self::$server, "# A\n\nOf the zephyr.\n\n# \n\nzephyr, zephyr\n");
        $many = LiveDocument::from(self::$server, "# Wind\n\n" . str_repeat("Zéphyr.\n\n", 501));
        $titled = LiveDocument::from(self::$server, "# C\n\nd\n");
        $titled->operate(['name' => 'describe-document', 'title' => 'The Zephyr']);
        $away = LiveDocument::from(self::$server, "# Away\n\nzephyr\n");
        self::$server->find('DELETE', '/api/documents/' . $away->id);

        self::assertSame(
            ['The Zephyr: 0', 'X: 500 and more in Wind', 'X: 3 in A, No heading yet'],
            $this->foundOnDesk('zephyr'),
            'the last changed first, and none that is off the desk',
        );
        $many->operate(['name' => 'delete', 'sections' => [$many->section(0)]]);
        self::assertCount(2, $this->foundOnDesk('zephyr'), 'what is deleted is not found');
    }

    public function testWhatCannotBeLookedForIsSaid(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\nb\n");

        self::assertSame(
            'That is no regular expression: something in it does not fit together.',
            $document->post('/find', ['query' => ['words' => 'a(', 'mode' => 'pattern']])['detail'] ?? null,
        );
        self::assertSame('There is nothing to look for.', $document->post('/find', ['query' => []])['detail'] ?? null);
    }

    public function testNoMoreThanSoManyPlacesAreTold(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\n" . str_repeat("the lamp the oil\n\n", 6600));
        $answer = $document->post('/find', ['query' => ['words' => 'the']]);

        self::assertSame([12_000, true], [$answer['count'] ?? null, $answer['isMore'] ?? null]);
    }

    private static function nameOf(mixed $place): string
    {
        return is_array($place) && is_string($place['name']) ? $place['name'] : '';
    }

    /** @return list<string> */
    private function foundOnDesk(string $words): array
    {
        $lines = [];
        foreach (self::$server->get('POST', '/api/find', ['query' => ['words' => $words]]) as $each) {
            assert(is_array($each) && is_string($each['title']) && is_int($each['count']) && is_array($each['first']));
            $lines[] =
                $each['title'] .
                ': ' .
                $each['count'] .
                (true === $each['isMore'] ? ' and more' : '') .
                ([] === $each['first'] ? '' : ' in ' . implode(', ', array_map(self::nameOf(...), $each['first'])));
        }

        return $lines;
    }

    /**
     * @param array<string, mixed> $query
     *
     * @return list<string> headings, with how many places in each
     */
    private function found(LiveDocument $document, array $query, ?string $section = null): array
    {
        $answer = $document->post('/find', ['query' => $query, ...null === $section ? [] : ['sections' => $section]]);
        $lines = [];
        foreach (is_array($answer['sections'] ?? null) ? $answer['sections'] : [] as $found) {
            assert(is_array($found) && is_string($found['id']) && is_array($found['places']));
            $position = 0;
            while ($document->section($position) !== $found['id']) {
                ++$position;
            }
            $lines[] = substr($document->outline()[$position], 2) . ' ' . count($found['places']);
        }

        return $lines;
    }

    private function written(LiveDocument $document): string
    {
        return self::$server->text('/api/documents/' . $document->id . '/export?format=md');
    }
}
