<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** The history as the screens ask for it: lines, comparisons, and the way back. */
final class HistoryOverHttpTest extends TestCase
{
    private static LiveServer $server;
    private LiveDocument $document;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    protected function setUp(): void
    {
        $this->document = LiveDocument::from(
            self::$server,
            "# Coast\n\nThe lamp was lit.\n\n## Gaps\n\nNone.\n\n# Logs\n\nEvery watch.\n",
        );
    }

    public function testEachStepIsALineThatNamesTheStateBeforeIt(): void
    {
        $this->document->operate($this->document->withIds(['name' => 'promote', 'sections' => ['@1']]));
        $this->document->operate(
            $this->document->withIds(['name' => 'rename', 'section' => '@2', 'heading' => 'Log books']),
        );
        $this->document->undo();
        [$renamed, $promoted] = $this->document->steps();

        self::assertSame(['Renamed “Logs” to “Log books”', true], [$renamed['label'], $renamed['undone']]);
        self::assertSame(
            ['Promoted “Gaps”', false, 0],
            [$promoted['label'], $promoted['undone'], $promoted['previous']],
        );
        self::assertSame($promoted['id'], $renamed['previous']);
        self::assertSame($promoted['id'], $this->document->state());
    }

    public function testAHeadingTypedWithoutAPauseIsOneStep(): void
    {
        foreach (['Log b', 'Log boo', 'Log books'] as $words) {
            $this->document->operate(
                $this->document->withIds([
                    'name' => 'rename',
                    'section' => '@2',
                    'heading' => [['type' => 'text', 'text' => $words]],
                ]),
            );
        }

        self::assertSame(['Wrote the heading “Log books”'], array_column($this->document->steps(), 'label'));
        $this->document->undo();
        self::assertSame(
            ['Coast', 'Gaps', 'Logs'],
            array_column((array) $this->document->get()['sections'], 'heading'),
        );
    }

    public function testEarlierStepsComeWithTheNextPage(): void
    {
        $this->document->operate($this->document->withIds(['name' => 'promote', 'sections' => ['@1']]));
        $this->document->operate($this->document->withIds(['name' => 'demote', 'sections' => ['@2']]));
        [$last, $first] = array_column($this->document->steps(), 'id');
        self::assertIsInt($last);
        self::assertIsInt($first);

        $before = $this->document->get('/history?before=' . $last);
        self::assertIsArray($before['sittings']);
        self::assertSame(
            [[$first]],
            array_map(static fn(mixed $sitting): array => array_column((array) $sitting, 'id'), $before['sittings']),
        );
        self::assertFalse($before['hasEarlier']);
        self::assertSame(
            ['sittings' => [], 'hasEarlier' => false, 'keptWeeks' => null],
            $this->document->get('/history?before=' . $first),
        );
    }

    public function testTheComparisonTellsWhatBecameOfEachSection(): void
    {
        $sections = array_map($this->document->section(...), [0, 1, 2]);
        $this->document->operate($this->document->withIds(['name' => 'promote', 'sections' => ['@1']]));
        $this->document->type(0, 'The lamp was lit at dusk.');
        $this->document->operate($this->document->withIds(['name' => 'delete', 'sections' => ['@2']]));
        $this->document->operate(
            $this->document->withIds(['name' => 'insert', 'landing' => 'after', 'target' => '@1', 'heading' => 'Fog']),
        );

        $differences = array_column($this->document->get('/history/comparison?from=0'), 'kinds', 'section');
        self::assertSame(
            [['reworded'], ['promoted'], ['gone']],
            array_map(static fn(string $section): mixed => $differences[$section] ?? null, $sections),
        );
        self::assertSame(['new'], $differences[$this->document->section(2)] ?? null);
        self::assertSame(
            [],
            $this->document->get('/history/comparison?from=' . $this->document->state()),
            'with itself nothing differs',
        );

        $marks = $this->document->get('/history/comparison/' . $sections[0] . '?from=0');
        self::assertSame(
            [
                ['kind' => 'same', 'text' => "Coast\nThe lamp was lit"],
                ['kind' => 'new', 'text' => ' at dusk'],
                ['kind' => 'same', 'text' => '.'],
            ],
            $marks,
        );
    }

    public function testTwoPastStatesAreComparedWithoutThePresent(): void
    {
        $this->document->operate($this->document->withIds(['name' => 'promote', 'sections' => ['@1']]));
        $first = $this->document->state();
        $this->document->operate(
            $this->document->withIds(['name' => 'rename', 'section' => '@2', 'heading' => 'Log books']),
        );
        $second = $this->document->state();
        $this->document->operate($this->document->withIds(['name' => 'delete', 'sections' => ['@0']]));

        self::assertSame(
            [['renamed']],
            array_column($this->document->get("/history/comparison?from={$first}&to={$second}"), 'kinds'),
        );
        self::assertSame(
            [['renamed']],
            array_column($this->document->get("/history/comparison?from={$second}&to={$first}"), 'kinds'),
            'and the other way round',
        );
        self::assertSame(
            [['promoted']],
            array_column($this->document->get("/history/comparison?from=0&to={$first}"), 'kinds'),
        );
    }

    public function testOneSectionTakesItsEarlierWordsOrComesBackWhole(): void
    {
        $gaps = $this->document->section(1);
        $before = $this->document->text();
        $this->document->type(1, 'Many.');
        $this->return(['state' => 0, 'section' => $gaps]);
        self::assertSame($before, $this->document->text());

        $this->document->operate($this->document->withIds(['name' => 'delete', 'sections' => ['@1']]));
        $this->return(['state' => 0, 'section' => $gaps]);
        self::assertSame($before, $this->document->text(), 'at its place, and no longer among the offcuts');
        $this->document->undo();
        self::assertSame(['1 Coast', '1 Logs'], $this->document->outline(), 'which is a step like any other');
    }

    public function testGoingBackToTheStateOneIsInIsNoStep(): void
    {
        $this->document->operate($this->document->withIds(['name' => 'promote', 'sections' => ['@1']]));
        $revision = $this->document->revision();
        $this->return(['state' => $this->document->state()]);

        self::assertSame($revision, $this->document->revision());
        self::assertCount(1, $this->document->steps());
    }

    /** @return iterable<string, array{string, string, array<string, mixed>|null, int}> */
    public static function senseless(): iterable
    {
        yield 'a state that never was' => ['GET', '/history/comparison?from=999999', null, 422];
        yield 'a second state that never was' => ['GET', '/history/comparison?from=0&to=999999', null, 422];
        yield 'a state before the beginning' => ['GET', '/history/comparison?from=-1', null, 422];
        yield 'words of what is no section' => ['GET', '/history/comparison/short?from=0', null, 422];
        yield 'no state to return to' => ['POST', '/history/return', ['baseRevision' => 1], 400];
        yield 'a state that is a word' => ['POST', '/history/return', ['baseRevision' => 1, 'state' => 'first'], 400];
        yield 'a section that was never there' => [
            'POST',
            '/history/return',
            ['baseRevision' => 1, 'state' => 0, 'section' => 'zzzzzzzzzzzz'],
            422,
        ];
        yield 'a revision still to come' => ['POST', '/history/return', ['baseRevision' => 99, 'state' => 0], 409];
        yield 'a milestone without a name' => ['POST', '/history/milestones', ['name' => " \t"], 400];
        yield 'a milestone that is a number' => ['POST', '/history/milestones', ['name' => 7], 400];
    }

    /** @param array<string, mixed>|null $body */
    #[DataProvider('senseless')]
    public function testSenselessQuestionsGetOneSentenceAndChangeNothing(
        string $method,
        string $path,
        ?array $body,
        int $status,
    ): void {
        $before = $this->document->text();
        $answer = 'GET' === $method ? $this->document->get($path) : $this->document->post($path, $body ?? []);

        self::assertSame($status, $answer['status'] ?? null, json_encode($answer, \JSON_THROW_ON_ERROR));
        self::assertIsString($answer['detail']);
        self::assertMatchesRegularExpression('/\A[A-Z“].{8,300}\.\z/us', $answer['detail']);
        self::assertSame($before, $this->document->text());
    }

    public function testALongNameOfAMilestoneIsCut(): void
    {
        $named = $this->document->post('/history/milestones', ['name' => str_repeat('ä', 500)]);
        self::assertSame(str_repeat('ä', 200), $named['name']);
    }

    /** @param array<string, mixed> $fields */
    private function return(array $fields): void
    {
        $answer = $this->document->post('/history/return', ['baseRevision' => $this->document->revision(), ...$fields]);
        self::assertArrayHasKey('revision', $answer, json_encode($answer, \JSON_THROW_ON_ERROR));
    }
}
