<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** Branches that go from one document to another, over HTTP: both are written, or neither is. */
final class TransferTest extends TestCase
{
    private LiveDocument $here;
    private LiveDocument $there;

    protected function setUp(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $this->here = LiveDocument::from($server, "# One\n\na\n\n## Two\n\nb\n\n# Three\n\nc\n");
        $this->there = LiveDocument::from($server, "# First\n\n## Second\n");
    }

    public function testACopyLeavesThisDocumentAsItIs(): void
    {
        $before = $this->here->text();
        $answer = $this->transfer(['moves' => false, 'landing' => 'inside', 'target' => $this->there->section(1)]);
        self::assertNull($answer['here']);
        self::assertSame($before, $this->here->text());
        self::assertSame(['1 First', '2 Second', '3 One', '4 Two'], $this->there->outline());
        self::assertSame($this->there->section(2), $answer['section']);
        $this->there->undo();
        self::assertSame(['1 First', '2 Second'], $this->there->outline());
    }

    public function testAMoveKeepsWhatLeavesAmongTheOffcutsAndCanBeUndoneOnEachSide(): void
    {
        $before = $this->here->text();
        $this->transfer(['moves' => true, 'landing' => 'after']);
        self::assertSame(['1 Three'], $this->here->outline());
        self::assertSame(['1 First', '2 Second', '1 One', '2 Two'], $this->there->outline());
        self::assertCount(1, $this->here->get('/offcuts'));
        self::assertStringContainsString(
            'Moved to another document: “One” with 1 section under it',
            json_encode($this->here->get('/history'), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        );
        $this->here->undo();
        self::assertSame($before, $this->here->text());
    }

    public function testWhenTheOtherSideRefusesNothingHasChangedHere(): void
    {
        $before = [$this->here->text(), $this->here->revision(), $this->there->text(), $this->there->revision()];
        $answer = $this->transfer(['moves' => true, 'landing' => 'inside', 'target' => 'zzzzzzzzzzzz']);
        self::assertSame(422, $answer['status']);
        self::assertSame($before, [
            $this->here->text(),
            $this->here->revision(),
            $this->there->text(),
            $this->there->revision(),
        ]);
    }

    public function testAStaleWindowIsAnsweredWithTheNewerStateAndNothingIsTaken(): void
    {
        $this->here->operate(['name' => 'demote', 'sections' => [$this->here->section(2)]]);
        $answer = $this->transfer(['moves' => true, 'landing' => 'after', 'baseRevision' => 1]);
        self::assertSame(409, $answer['status']);
        self::assertArrayHasKey('changes', $answer);
        self::assertCount(2, $this->there->outline());
        self::assertCount(3, $this->here->outline());
    }

    public function testADocumentTakesNothingFromItselfAndNothingGoesToOneThatIsNotThere(): void
    {
        self::assertSame(
            422,
            $this->transfer(['moves' => true, 'landing' => 'after', 'other' => $this->here->id])['status'],
        );
        self::assertSame(
            404,
            $this->transfer(['moves' => true, 'landing' => 'after', 'other' => 'zzzzzzzzzzzz'])['status'],
        );
        self::assertSame(422, $this->transfer(['moves' => false, 'landing' => 'sideways'])['status']);
        self::assertCount(3, $this->here->outline());
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return array<mixed>
     */
    private function transfer(array $fields): array
    {
        return $this->here->post('/transfer', [
            ...[
                'baseRevision' => $this->here->revision(),
                'sections' => [$this->here->section(0)],
                'other' => $this->there->id,
            ],
            ...$fields,
        ]);
    }
}
