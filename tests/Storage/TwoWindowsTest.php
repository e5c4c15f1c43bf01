<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** What one window writes on an older state: taken when it touches something else, offered side by side when not. */
final class TwoWindowsTest extends TestCase
{
    private static LiveServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    /**
     * @return iterable<string, array{array<string, mixed>, array<string, mixed>, bool}> what one window did,
     *     what the other asks on the state before, and whether it is taken
     */
    public static function meetings(): iterable
    {
        $type = static fn(int $at): array => [
            'name' => 'replace-body',
            'section' => '@' . $at,
            'body' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'typed in ' . $at]]]],
        ];
        yield 'typing in two sections' => [$type(0), $type(1), true];
        yield 'typing in one section' => [$type(0), $type(0), false];
        yield 'typing while another renames another section' => [
            ['name' => 'rename', 'section' => '@1', 'heading' => 'New'],
            $type(0),
            true,
        ];
        yield 'typing while another renames this section' => [
            ['name' => 'rename', 'section' => '@0', 'heading' => 'New'],
            $type(0),
            false,
        ];
        yield 'typing while another moves the section' => [
            ['name' => 'move', 'sections' => ['@0'], 'landing' => 'after', 'target' => '@3'],
            $type(0),
            true,
        ];
        yield 'typing while another promotes what is above' => [
            ['name' => 'promote', 'sections' => ['@1']],
            $type(2),
            true,
        ];
        yield 'typing while another sets another section aside' => [
            ['name' => 'set-aside', 'sections' => ['@3']],
            $type(0),
            true,
        ];
        yield 'moving while another types' => [
            $type(0),
            ['name' => 'move', 'sections' => ['@0'], 'landing' => 'after', 'target' => '@3'],
            true,
        ];
        yield 'promoting while another types in it' => [$type(1), ['name' => 'promote', 'sections' => ['@1']], true];
        yield 'two moves' => [
            ['name' => 'move-down', 'sections' => ['@0']],
            ['name' => 'demote', 'sections' => ['@3']],
            false,
        ];
        yield 'inserting while another moves' => [
            ['name' => 'move-down', 'sections' => ['@0']],
            ['name' => 'insert', 'landing' => 'after', 'target' => '@3'],
            false,
        ];
        yield 'joining a section another types in' => [
            $type(1),
            ['name' => 'join', 'section' => '@1', 'heading' => 'offcut'],
            false,
        ];
        yield 'duplicating a section another types in' => [
            $type(1),
            ['name' => 'duplicate', 'sections' => ['@1']],
            false,
        ];
        yield 'splitting while another moves' => [
            ['name' => 'move-down', 'sections' => ['@0']],
            ['name' => 'split', 'section' => '@1', 'from' => 2],
            true,
        ];
        yield 'splitting what another types in' => [
            $type(1),
            ['name' => 'split', 'section' => '@1', 'from' => 2],
            false,
        ];
        yield 'a target while another moves and types' => [
            ['name' => 'batch', 'operations' => [$type(0), ['name' => 'move-down', 'sections' => ['@0']]]],
            ['name' => 'describe-section', 'sections' => ['@0'], 'target' => 300],
            true,
        ];
        yield 'a title while another types' => [$type(0), ['name' => 'describe-document', 'title' => 'New'], true];
    }

    /**
     * @param array<string, mixed> $first
     * @param array<string, mixed> $second
     */
    #[DataProvider('meetings')]
    public function testDifferentPartsAreMergedTheSamePartIsNot(array $first, array $second, bool $isTaken): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\na\n\n## B\n\nb\n\n### C\n\nc\n\n# D\n\nd\n");
        $base = $document->revision();
        [$first, $second] = [$document->withIds($first), $document->withIds($second)];
        self::assertIsInt($document->operate($first, $base)['revision'] ?? null);
        $between = $document->text();

        $answer = $document->operate($second, $base);

        if ($isTaken) {
            self::assertSame($base + 2, $answer['revision'] ?? null, json_encode($answer, \JSON_THROW_ON_ERROR));
            $document->undo();
            self::assertSame($between, $document->text(), 'and undone by itself, it leaves what the other window did');

            return;
        }
        self::assertSame(409, $answer['status']);
        self::assertSame($between, $document->text(), 'nothing was changed');
        self::assertIsArray($answer['changes']);
        self::assertSame($base + 1, $answer['changes']['revision']);
    }

    public function testUndoAndRedoAreNotTakenFromAWindowThatHasNotSeenTheLastStep(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\na\n\n# B\n\nb\n");
        $document->type(0, 'first');
        $base = $document->revision();
        $document->type(1, 'second');
        $before = $document->text();

        self::assertSame(409, $document->post('/undo', ['baseRevision' => $base])['status']);
        self::assertSame($before, $document->text());

        $document->undo();
        self::assertSame(409, $document->post('/redo', ['baseRevision' => $base])['status']);
        $document->redo();
        self::assertSame($before, $document->text());
    }

    public function testAStateFromTheFutureIsNone(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\na\n");

        self::assertSame(
            409,
            $document->operate(['name' => 'demote', 'sections' => [$document->section(0)]], 99)['status'],
        );
        self::assertSame(['1 A'], $document->outline());
    }

    public function testWhatIsDoneAfterUndoingOvertakesWhatWasUndone(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\na\n");
        $document->operate(['name' => 'demote', 'sections' => [$document->section(0)]]);
        $document->undo();
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'Z']);

        self::assertSame('There is nothing to redo.', $document->redo()['detail']);
        self::assertSame(['1 Z'], $document->outline());
    }

    public function testTypingWithoutAPauseIsOneStepInEachSection(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\na\n\n# B\n\nb\n");
        $before = $document->text();
        foreach (['One', 'One two', 'One two three'] as $words) {
            $document->type(0, $words);
        }
        $inA = $document->text();
        $document->type(1, 'Other');

        $document->undo();
        self::assertSame($inA, $document->text(), 'the section typed in last is a step of its own');
        $document->undo();
        self::assertSame($before, $document->text());
        self::assertSame('There is nothing to undo.', $document->undo()['detail']);
    }

    public function testAStepBetweenTwoTypingsEndsTheBurst(): void
    {
        $document = LiveDocument::from(self::$server, "# A\n\na\n\n# B\n\nb\n");
        $document->type(0, 'One');
        $document->operate(['name' => 'move-down', 'sections' => [$document->section(0)]]);
        $moved = $document->text();
        $document->type(1, 'One two');

        $document->undo();
        self::assertSame($moved, $document->text());
        $document->undo();
        self::assertSame(['1 A', '1 B'], $document->outline());
    }
}
