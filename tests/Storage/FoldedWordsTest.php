<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\FoldedWords;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Section\SectionForm;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** The words that are looked through are those of the texts, after whatever was done, and so is the index of them. */
final class FoldedWordsTest extends TestCase
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

    public function testTheyFollowEveryChangeAndItsUndoing(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# Ä lamp\n\nOne *lamp*[^1].\n\nTwo.\n\n## Oil\n\nThree.\n\n# Gas\n\nFour.\n\n[^1]: Of Zoë.\n",
        );
        $this->assertInStep();
        $ids = array_map($document->section(...), [0, 1, 2]);
        $steps = [
            ['name' => 'rename', 'section' => $ids[1], 'heading' => 'Öl'],
            ['name' => 'describe-section', 'sections' => [$ids[2]], 'aim' => 'Say what gas is'],
            ['name' => 'split', 'section' => $ids[0], 'from' => 10],
            ['name' => 'duplicate', 'sections' => [$ids[0]]],
            ['name' => 'join', 'section' => $ids[2], 'heading' => 'paragraph'],
            ['name' => 'replace-found', 'query' => ['words' => 'lamp'], 'with' => 'light', 'sections' => [$ids[0]]],
            ['name' => 'delete', 'sections' => [$ids[1]]],
            ['name' => 'promote', 'sections' => [$ids[0]]],
        ];
        foreach ($steps as $step) {
            $document->operate($step);
            $this->assertInStep();
        }
        foreach ($steps as $_) {
            $document->undo();
            $this->assertInStep();
        }
    }

    private function assertInStep(): void
    {
        $database = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $kept = [];
        foreach ($database->query('SELECT section_id, folded FROM section_words', \PDO::FETCH_ASSOC) ?: [] as $fields) {
            $row = new Row((array) $fields);
            $kept[$row->text('section_id')] = $row->text('folded');
        }
        $texts = [];
        foreach ($database->query('SELECT * FROM section', \PDO::FETCH_ASSOC) ?: [] as $fields) {
            $row = new Row((array) $fields);
            $texts[$row->text('id')] = FoldedWords::of(
                Section::blank(SectionId::fromString($row->text('id')))
                    ->withHeading(SectionForm::readHeading($row->text('heading'), $row->text('heading_inline')))
                    ->withBody(SectionForm::readBody($row->text('body')))
                    ->withAim($row->text('aim')),
            );
        }
        ksort($kept);
        ksort($texts);
        self::assertNotSame([], $texts);
        self::assertSame($texts, $kept);
        // Throws when the index holds anything else than the words (SQLite, FTS5, 6.3).
        $database->exec("INSERT INTO section_words_index (section_words_index, rank) VALUES ('integrity-check', 1)");
    }
}
