<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\Packed;

/**
 * A text that cannot be read spoils nothing around it, and is kept to the letter; and nothing that is imported becomes
 * one.
 */
final class DamagedTextTest extends TestCase
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

    /** @return iterable<string, array{string}> */
    public static function damages(): iterable
    {
        yield 'no JSON' => ['[{"type":"paragraph","content":[{"type":"te'];
        yield 'a picture of a kind that is none' => [
            '[{"type":"figure","attrs":{"src":"data:image/bmp;base64,AAAA","alt":"x"}}]',
        ];
        yield 'a part that no one knows' => ['[{"type":"hologram"}]'];
        yield 'the name of a language as long as a text' => [
            sprintf(
                '[{"type":"codeBlock","attrs":{"language":"%s"},"content":[{"type":"text","text":"x"}]}]',
                str_repeat('x', 5000),
            ),
        ];
        yield 'nothing' => [''];
    }

    #[DataProvider('damages')]
    public function testTheRestOpensIsWrittenAndUndoneAndWhatIsKeptComesBackToTheLetter(string $stored): void
    {
        $document = LiveDocument::from(self::$server, "# Alpha\n\nfirst\n\n# Beta\n\nsecond\n");
        [$one, $two] = [$document->section(0), $document->section(1)];
        $document->type(1, 'typed');
        $this->store($two, $stored);

        self::assertSame(['1 Alpha', '1 Beta'], $document->outline());
        self::assertSame('unreadable', $this->kind($document, $two));
        $written = self::$server->text('/api/documents/' . $document->id . '/export?format=md');
        self::assertStringContainsString("# Alpha\n\nfirst", $written);
        self::assertStringContainsString($stored, $written);
        self::assertStringContainsString(
            'first',
            self::$server->text('/api/documents/' . $document->id . '/export?format=html'),
        );
        self::assertArrayHasKey('revision', $document->type(0, 'elsewhere'));
        // Notes and moves leave it as it is; it can be written over, and comes back when that is undone.
        self::assertArrayHasKey(
            'revision',
            $document->operate(['name' => 'describe-section', 'sections' => [$two], 'aim' => 'Mend this']),
        );
        self::assertArrayHasKey('revision', $document->operate(['name' => 'move-up', 'sections' => [$two]]));
        self::assertSame($stored, $this->stored($two));
        self::assertArrayHasKey(
            'revision',
            $document->operate(['name' => 'replace-body', 'section' => $two, 'body' => []]),
        );
        self::assertSame('[]', $this->stored($two));
        self::assertArrayHasKey('revision', $document->undo());
        self::assertSame($stored, $this->stored($two));
        foreach (range(1, 3) as $step) {
            self::assertArrayHasKey('revision', $document->undo(), 'step ' . $step);
        }
        self::assertArrayHasKey('revision', $document->undo(), 'the edit before the damage');
        self::assertStringContainsString('second', $this->stored($two));
        self::assertSame($one, $document->section(0));
    }

    /** @return iterable<string, array{string, string}> */
    public static function oddFiles(): iterable
    {
        $page = static fn(string $body): string => Packed::epub(['a.xhtml' => '<h1>One</h1>' . $body]);
        yield 'a picture of a kind that no page shows' => [
            'x.epub',
            $page('<p>a <img src="data:image/bmp;base64,AAAA" alt="b"/></p>'),
        ];
        yield 'the type of a picture by its nickname' => [
            'x.epub',
            $page('<p>a <img src="data:image/jpg;base64,AAAA" alt="b"/></p>'),
        ];
        yield 'base64 broken over lines' => [
            'x.epub',
            $page("<p>a <img src=\"data:image/png;base64,AA\nAA\" alt=\"b\"/></p>"),
        ];
        yield 'a language longer than a text' => ['x.md', "# One\n\n```" . str_repeat('x', 5000) . "\ncode\n```\n"];
        yield 'a reference longer than an address' => [
            'x.html',
            '<h1 id="a">One</h1><p><a class="cross-reference" data-shows="both" href="#' .
            str_repeat('x', 9000) .
            '">words</a>',
        ];
        yield 'half a character in an address' => [
            'x.md',
            "# One\n\n[a](x&#xD800;y) ![&#xD800;](z)\n\n```&#xD800;\n```\n",
        ];
        yield 'a heading as long as a text' => ['x.html', '<h1>' . str_repeat('words ', 3000) . '</h1>'];
    }

    #[DataProvider('oddFiles')]
    public function testWhatIsImportedCanBeEditedUndoneAndWritten(string $name, string $bytes): void
    {
        $made = self::$server->get('POST', '/api/documents/import?name=' . $name, $bytes);
        self::assertIsString($made['id'] ?? null, (string) json_encode($made));
        $sound = LiveDocument::from(self::$server, "# Sound\n\nwords\n");
        $put = self::$server->get(
            'POST',
            '/api/documents/' .
                $sound->id .
                '/import?name=' .
                $name .
                '&landing=inside&target=' .
                $sound->section(0) .
                '&baseRevision=1',
            $bytes,
        );
        self::assertIsArray($put['outcome'] ?? null, 'the answer and what is stored agree: ' . json_encode($put));
        foreach ([LiveDocument::withId(self::$server, $made['id']), $sound] as $document) {
            for ($position = 0; $position < $document->count(); ++$position) {
                self::assertNotSame('unreadable', $this->kind($document, $document->section($position)));
                $before = $document->text();
                self::assertArrayHasKey('revision', $document->type($position, 'typed'));
                self::assertArrayHasKey('revision', $document->undo());
                self::assertSame($before, $document->text());
            }
            $written = self::$server->text('/api/documents/' . $document->id . '/export?format=md');
            self::assertIsString(
                self::$server->get('POST', '/api/documents/import?name=again.md', $written)['id'] ?? null,
            );
        }
    }

    private function kind(LiveDocument $document, string $section): mixed
    {
        $texts = $document->get('/texts?sections=' . $section);
        $body = is_array($texts[0] ?? null) ? $texts[0]['body'] ?? null : null;

        return is_array($body) && is_array($body[0] ?? null) ? $body[0]['type'] ?? null : null;
    }

    private function store(string $section, string $body): void
    {
        $this->connection()
            ->prepare('UPDATE section SET body = ? WHERE id = ?')
            ->execute([$body, $section]);
    }

    private function stored(string $section): string
    {
        $statement = $this->connection()->prepare('SELECT body FROM section WHERE id = ?');
        $statement->execute([$section]);
        $body = $statement->fetchColumn();

        return is_string($body) ? $body : self::fail('The section is gone.');
    }

    private function connection(): \PDO
    {
        return new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
    }
}
