<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** Named states, and the way to every state there ever was. */
final class MilestonesTest extends TestCase
{
    public function testEveryStateOfARandomHistoryCanBeReturnedToWhateverWasUndoneSince(): void
    {
        $document = LiveDocument::from(LiveServer::overEmptyDatabase(), "# One\n\na\n\n## Two\n\nb\n\n# Three\n\nc\n");
        $random = new Randomizer(new Mt19937(5));
        $states = [0 => $document->text()];
        for ($turn = 0; $turn < 60; ++$turn) {
            match ($random->getInt(0, 5)) {
                0, 1 => $document->undo(),
                2 => $document->redo(),
                default => $document->operate($this->operation($random, $document)),
            };
            // Typing in one burst is one step, whose state is the one that it ends in.
            $states[$document->state()] = $document->text();
        }
        self::assertGreaterThan(15, count($states));
        foreach ($states as $state => $text) {
            $document->post('/history/return', ['baseRevision' => $document->revision(), 'state' => $state]);
            self::assertSame($text, $document->text(), "state $state");
        }
    }

    public function testAMilestoneNamesItsStateWhateverIsTypedAndUndoneAfterwards(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# One\n\ntext\n");
        $document->type(0, 'first');
        $milestone = $document->post('/history/milestones', ['name' => '  Sent to the reader ']);
        self::assertSame('Sent to the reader', $milestone['name']);
        $named = $document->text();
        // In the same burst of typing, had there been no milestone.
        $document->type(0, 'first and second');
        $document->undo();
        self::assertSame($named, $document->text(), 'typing after a milestone is a step of its own');
        $document->undo();
        $document->type(0, 'another way');
        $document->post('/history/return', ['baseRevision' => $document->revision(), 'state' => $milestone['state']]);
        self::assertSame($named, $document->text(), 'also when its step has been undone and overtaken');
        self::assertStringContainsString(
            'Went back to the milestone “Sent to the reader”',
            json_encode($document->get('/history'), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        );

        $server->kill();
        self::assertSame(
            ['Sent to the reader'],
            array_column($document->on($server->startedAgain())->get('/history/milestones'), 'name'),
        );
    }

    public function testMilestonesAndStatesAreCheckedLikeAllThatComesFromOutside(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# One\n\ntext\n");
        $other = LiveDocument::from($server, "# Other\n\ntext\n");
        $other->type(0, 'changed');
        self::assertSame(400, $document->post('/history/milestones', ['name' => '   '])['status']);
        self::assertSame(
            422,
            $document->get('/history/comparison?from=' . $other->state())['status'],
            'a step of another document is no state of this one',
        );
        self::assertSame(422, $document->post('/history/return', ['baseRevision' => 1, 'state' => -1])['status']);
        self::assertSame(
            422,
            $document->post('/history/return', ['baseRevision' => 1, 'state' => 0, 'section' => $other->section(0)])[
                'status'
            ],
        );
        $milestone = $other->post('/history/milestones', ['name' => 'Theirs']);
        self::assertIsString($milestone['id']);
        $server->find('DELETE', "/api/documents/{$document->id}/history/milestones/{$milestone['id']}");
        self::assertCount(
            1,
            $other->get('/history/milestones'),
            'one document cannot take away the milestones of another',
        );
        $server->find('DELETE', '/api/documents/' . $other->id);
        $off = $server->get('DELETE', "/api/documents/{$other->id}/history/milestones/{$milestone['id']}");
        self::assertSame(404, $off['status'], 'off the desk');
        $server->find('POST', '/api/documents/' . $other->id . '/restore');
        self::assertCount(1, $other->get('/history/milestones'));
        $server->find('DELETE', "/api/documents/{$other->id}/history/milestones/{$milestone['id']}");
        self::assertSame([], $other->get('/history/milestones'));
    }

    /** @return array<string, mixed> */
    private function operation(Randomizer $random, LiveDocument $document): array
    {
        $section = $document->section($random->getInt(0, $document->count() - 1));

        return match ($random->getInt(0, 4)) {
            0 => [
                'name' => 'replace-body',
                'section' => $section,
                'body' => [
                    [
                        'type' => 'paragraph',
                        'content' => [['type' => 'text', 'text' => 'words ' . $random->getInt(0, 999)]],
                    ],
                ],
            ],
            1 => ['name' => 'demote', 'sections' => [$section]],
            2 => [
                'name' => 'insert',
                'landing' => 'after',
                'target' => $section,
                'heading' => 'New ' . $random->getInt(0, 999),
            ],
            3 => ['name' => 'rename', 'section' => $section, 'heading' => 'Named ' . $random->getInt(0, 999)],
            default => $document->count() > 2
                ? ['name' => 'delete', 'sections' => [$section]]
                : ['name' => 'duplicate', 'sections' => [$section]],
        };
    }
}
