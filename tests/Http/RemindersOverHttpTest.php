<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** What is still to be done, as the Desk lists it. */
final class RemindersOverHttpTest extends TestCase
{
    public function testOpenOnesAreListedInTheOrderOfTheText(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# Lamps\n\na\n\n# Oil\n\nb\n\n# Gales\n\nc\n");
        $remind = static fn(int $position, string $words, bool $isSettled): array => $document->operate([
            'name' => 'replace-body',
            'section' => $document->section($position),
            'body' => [
                [
                    'type' => 'paragraph',
                    'content' => [
                        [
                            'type' => 'reminder',
                            'attrs' => [
                                'id' => sprintf('reminder%04d', $position),
                                'words' => $words,
                                ...$isSettled ? ['settled' => true] : [],
                            ],
                        ],
                        ['type' => 'text', 'text' => 'words'],
                    ],
                ],
            ],
        ]);
        $remind(2, 'The gale of 1881', false);
        $remind(0, 'Which lamp', false);
        $remind(1, 'Whale oil', true);
        $listed = (array) json_decode($server->text('/api/reminders'), true);
        $first = (array) ($listed[0] ?? []);
        self::assertCount(1, $listed);
        self::assertSame(
            ['Which lamp', 'The gale of 1881'],
            array_column((array) ($first['reminders'] ?? []), 'words'),
        );
        $document->operate(['name' => 'move-up', 'sections' => [$document->section(2)]]);
        $document->operate(['name' => 'move-up', 'sections' => [$document->section(1)]]);
        $first = (array) (((array) json_decode($server->text('/api/reminders'), true))[0] ?? []);
        self::assertSame(
            ['The gale of 1881', 'Which lamp'],
            array_column((array) ($first['reminders'] ?? []), 'words'),
        );
        $server->kill();
    }
}
