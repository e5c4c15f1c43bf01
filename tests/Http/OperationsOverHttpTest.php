<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/**
 * The one write path as a stranger may use it: whatever is sent, the answer is one sentence or a change that can be
 * undone.
 */
final class OperationsOverHttpTest extends TestCase
{
    private static LiveServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    /** @return iterable<string, array{mixed, int}> the operation, and the status of its answer */
    public static function refused(): iterable
    {
        yield 'nothing' => [null, 400];
        yield 'a text' => ['promote', 400];
        yield 'a list' => [[], 422];
        yield 'no name' => [['sections' => []], 422];
        yield 'a name that is none' => [['name' => 'explode'], 422];
        yield 'a name of another kind' => [['name' => ['promote']], 422];
        yield 'no sections' => [['name' => 'promote'], 422];
        yield 'an empty list of sections' => [['name' => 'promote', 'sections' => []], 422];
        yield 'sections that are numbers' => [['name' => 'promote', 'sections' => [1, 2]], 422];
        yield 'an id of wrong length' => [['name' => 'promote', 'sections' => ['short']], 422];
        yield 'an id of wrong signs' => [['name' => 'promote', 'sections' => ["'; DROP --"]], 422];
        yield 'an id that is not there' => [['name' => 'promote', 'sections' => ['zzzzzzzzzzzz']], 422];
        yield 'a level below the range' => [['name' => 'set-level', 'sections' => ['@0'], 'level' => 0], 422];
        yield 'a level above the range' => [['name' => 'set-level', 'sections' => ['@0'], 'level' => 10], 422];
        yield 'a level that is a text' => [['name' => 'set-level', 'sections' => ['@0'], 'level' => '2'], 422];
        yield 'a landing that is none' => [
            ['name' => 'move', 'sections' => ['@1'], 'landing' => 'beside', 'target' => '@0'],
            422,
        ];
        yield 'into itself' => [['name' => 'move', 'sections' => ['@0'], 'landing' => 'inside', 'target' => '@1'], 422];
        yield 'an extent that is none' => [['name' => 'promote', 'sections' => ['@1'], 'extent' => 'half'], 422];
        yield 'a place before the text' => [['name' => 'split', 'section' => '@0', 'from' => -1], 422];
        yield 'a place after the text' => [['name' => 'split', 'section' => '@0', 'from' => 999_999], 422];
        yield 'a body that is no list' => [['name' => 'replace-body', 'section' => '@0', 'body' => 'text'], 422];
        yield 'a block that there is not' => [
            ['name' => 'replace-body', 'section' => '@0', 'body' => [['type' => 'script']]],
            422,
        ];
        yield 'a mark that there is not' => [
            [
                'name' => 'replace-body',
                'section' => '@0',
                'body' => [
                    [
                        'type' => 'paragraph',
                        'content' => [['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'blink']]]],
                    ],
                ],
            ],
            422,
        ];
        yield 'a link that runs a script' => [
            [
                'name' => 'replace-body',
                'section' => '@0',
                'body' => [
                    [
                        'type' => 'paragraph',
                        'content' => [
                            [
                                'type' => 'text',
                                'text' => 'x',
                                'marks' => [
                                    ['type' => 'link', 'attrs' => ['href' => 'javascript:alert(1)', 'title' => null]],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
            422,
        ];
        yield 'a heading of nine thousand bytes' => [
            ['name' => 'rename', 'section' => '@0', 'heading' => str_repeat('a', 9000)],
            422,
        ];
        yield 'a heading that is no UTF-8 once decoded' => [
            ['name' => 'rename', 'section' => '@0', 'heading' => 7],
            422,
        ];
        yield 'a marker that there is not' => [
            ['name' => 'describe-section', 'sections' => ['@0'], 'marker' => 'skull'],
            422,
        ];
        yield 'a target below nothing' => [['name' => 'describe-section', 'sections' => ['@0'], 'target' => -5], 422];
        yield 'an offcut that is not there' => [
            ['name' => 'bring-back', 'section' => '@0', 'offcut' => 'zzzzzzzzzzzz'],
            422,
        ];
        yield 'a batch in a batch' => [
            ['name' => 'batch', 'operations' => [['name' => 'batch', 'operations' => []]]],
            422,
        ];
        yield 'an empty batch' => [['name' => 'batch', 'operations' => []], 422];
        yield 'a batch of too many' => [
            ['name' => 'batch', 'operations' => array_fill(0, 1001, ['name' => 'insert'])],
            422,
        ];
        yield 'levels of contents in the wrong order' => [
            ['name' => 'generate-contents', 'section' => '@0', 'from' => 3, 'to' => 1],
            422,
        ];
        yield 'a split into nothing' => [
            ['name' => 'split-by-rule', 'sections' => ['@0'], 'rule' => 'words', 'words' => 0],
            422,
        ];
        yield 'a rule that there is not' => [['name' => 'split-by-rule', 'sections' => ['@0'], 'rule' => 'moon'], 422];
    }

    #[DataProvider('refused')]
    public function testABadOperationGetsOneSentenceAndChangesNothing(mixed $operation, int $status): void
    {
        $document = $this->document();
        $before = [$document->text(), $document->revision()];
        $answer = $document->post('/operations', ['baseRevision' => 1, 'operation' => $document->withIds($operation)]);
        self::assertSame($status, $answer['status']);
        self::assertSentence($answer['detail']);
        self::assertSame($before, [$document->text(), $document->revision()]);
    }

    /** @return iterable<string, array{string, int}> */
    public static function bodies(): iterable
    {
        yield 'nothing' => ['', 400];
        yield 'half an object' => ['{"baseRevision": 1, ', 400];
        yield 'a number' => ['7', 400];
        yield 'too deep' => [str_repeat('[', 5000) . str_repeat(']', 5000), 400];
        yield 'a revision that is a text' => ['{"baseRevision": "1", "operation": {"name": "insert"}}', 400];
        yield 'a revision to come' => ['{"baseRevision": 999, "operation": {"name": "insert"}}', 409];
        yield 'no UTF-8' => [
            "{\"baseRevision\": 1, \"operation\": {\"name\": \"insert\", \"heading\": \"\xFF\"}}",
            400,
        ];
    }

    #[DataProvider('bodies')]
    public function testARequestThatIsNoneIsAnsweredInASentence(string $body, int $status): void
    {
        $document = $this->document();
        $answer = self::$server->get('POST', '/api/documents/' . $document->id . '/operations', $body);
        self::assertSame($status, $answer['status']);
        self::assertSentence($answer['detail']);
        self::assertSame(1, $document->revision());
    }

    public function testAnOutcomeTellsJustWhatAWindowNeedsToFollow(): void
    {
        $document = $this->document();
        $outcome = $document->operate(['name' => 'split', 'section' => $document->section(0), 'from' => 4]);
        self::assertSame([1, 2], [$outcome['previousRevision'], $outcome['revision']]);
        self::assertIsArray($outcome['order']);
        self::assertIsArray($outcome['order'][0]);
        self::assertSame([1, 0], [$outcome['order'][0]['at'], $outcome['order'][0]['removed']]);
        self::assertIsArray($outcome['changed']);
        self::assertCount(2, $outcome['changed']);
        self::assertSame('Split “One”', $outcome['label']);
        self::assertSame([], $outcome['removed']);

        $typed = $document->type(0, 'Other words.');
        self::assertSame([], $typed['order']);
        self::assertIsArray($typed['changed']);
        self::assertSame([$document->section(0)], array_column($typed['changed'], 'id'));
    }

    public function testARehearsalTellsWhatWouldHappenAndStoresNothing(): void
    {
        $document = $this->document();
        $move = [
            'name' => 'move',
            'sections' => [$document->section(2)],
            'landing' => 'inside',
            'target' => $document->section(1),
        ];
        $answer = $document->post('/rehearsals', ['operation' => $move]);
        self::assertTrue($answer['possible']);
        self::assertSame('becomes 1.1.1, level 3, under “Two”', $answer['sentence']);
        $impossible = $document->post('/rehearsals', ['operation' => [...$move, 'target' => $document->section(2)]]);
        self::assertFalse($impossible['possible']);
        self::assertSentence($impossible['sentence']);
        self::assertSame(1, $document->revision());
    }

    public function testAPreviewShowsTheOutlineAsItWouldBecome(): void
    {
        $document = $this->document();
        $preview = $document->post('/previews', [
            'operation' => ['name' => 'demote', 'sections' => [$document->section(2)]],
        ]);
        self::assertIsArray($preview['sections']);
        self::assertSame([1, 2, 2], array_column($preview['sections'], 'level'));
        self::assertSame(['1 One', '2 Two', '1 Three'], $document->outline());
    }

    public function testChangesSinceARevisionAreTheSectionsTouchedAndTheOutlineOnlyWhenItChanged(): void
    {
        $document = $this->document();
        $document->type(1, 'Typed.');
        $changes = $document->get('/changes?since=1');
        self::assertSame([2, null], [$changes['revision'], $changes['outline']]);
        self::assertIsArray($changes['changed']);
        self::assertSame([$document->section(1)], array_column($changes['changed'], 'id'));
        $document->operate(['name' => 'promote', 'sections' => [$document->section(1)]]);
        $changes = $document->get('/changes?since=2');
        self::assertIsArray($changes['outline']);
        self::assertSame('111', $changes['outline']['levels']);
        self::assertSame([], $document->get('/changes?since=3')['changed']);
    }

    public function testAnotherSitesPageCannotWrite(): void
    {
        $document = $this->document();
        foreach (
            [['Origin', 'https://elsewhere.example'], ['Sec-Fetch-Site', 'cross-site'], ['Sec-Fetch-Site', 'same-site']]
            as [$name, $value]
        ) {
            $answer = self::$server->get(
                'POST',
                '/api/documents/' . $document->id . '/operations',
                ['baseRevision' => 1, 'operation' => ['name' => 'insert']],
                [$name => $value],
            );
            self::assertSame(403, $answer['status'], $name);
        }
        self::assertSame(1, $document->revision());
    }

    private function document(): LiveDocument
    {
        return LiveDocument::from(self::$server, "# One\n\ntext of one\n\n## Two\n\ntext of two\n\n# Three\n");
    }

    private static function assertSentence(mixed $sentence): void
    {
        self::assertIsString($sentence);
        self::assertMatchesRegularExpression('/^[A-Z“].{8,400}[.?]$/us', $sentence);
        self::assertStringNotContainsString('Exception', $sentence);
        self::assertStringNotContainsString('.php', $sentence);
    }
}
