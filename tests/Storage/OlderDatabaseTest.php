<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/**
 * A database that an earlier version made, with pictures within the texts, is opened by this one: the document is
 * written
 * to the same files, byte for byte, and is undone, step by step, to what was first imported.
 */
final class OlderDatabaseTest extends TestCase
{
    private const FOLDER = __DIR__ . '/made-in-november-2026/';

    public function testItOpensIsWrittenAsBeforeAndUndoesToItsBeginning(): void
    {
        $server = LiveServer::overDatabase(
            (string) gzdecode((string) file_get_contents(self::FOLDER . 'stemmata.sqlite.gz')),
        );
        $document = LiveDocument::withId($server, trim((string) file_get_contents(self::FOLDER . 'document')));
        self::assertWritten('last', $server, $document);

        for ($undone = 0; isset($document->undo()['revision']); ++$undone) {
            self::assertLessThan(200, $undone);
        }
        self::assertGreaterThan(60, $undone);
        self::assertWritten('first', $server, $document);

        for (; $undone > 0; --$undone) {
            self::assertArrayHasKey('revision', $document->redo());
        }
        self::assertWritten('last', $server, $document);
    }

    private static function assertWritten(string $name, LiveServer $server, LiveDocument $document): void
    {
        foreach (['html', 'md'] as $format) {
            self::assertSame(
                self::withoutLook((string) file_get_contents(self::FOLDER . $name . '.' . $format)),
                self::withoutLook($server->text('/api/documents/' . $document->id . '/export?format=' . $format)),
            );
        }
    }

    /** How a page looks is a house style’s, which is no part of what was kept. */
    private static function withoutLook(string $file): string
    {
        return (string) preg_replace('~<style>.*?</style>~s', '', $file);
    }
}
