<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Link\KeptFile;
use Stemmata\Core\Text\Picture;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/** Pictures are kept once, beside the texts, for as long as any document shows them or could show them again. */
final class StoredFilesTest extends TestCase
{
    private const LAMP = '<svg xmlns="http://www.w3.org/2000/svg"><circle r="4"/></svg>';
    private static LiveServer $server;
    private \PDO $database;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    protected function setUp(): void
    {
        $this->database = new \PDO('sqlite:' . self::$server->data . '/stemmata.sqlite');
        $this->assertKept(0);
    }

    protected function tearDown(): void
    {
        foreach (self::$server->get('GET', '/api/documents') as $card) {
            assert(is_array($card) && is_string($card['id']));
            $this->thrownAway($card['id']);
        }
        $this->assertKept(0);
    }

    public function testAnImportKeepsEachPictureOnceAndItsTextsNameIt(): void
    {
        $lamp = new Picture('svg+xml', self::LAMP);
        $document = $this->withLamps();

        self::assertStringNotContainsString(
            'base64',
            (string) json_encode(
                $document->get('/texts?sections=' . $document->section(0) . ',' . $document->section(1)),
            ),
        );
        $this->assertKept(1);
        self::assertSame(self::LAMP, self::$server->text('/api/pictures/' . $lamp->hash));
        self::assertSame(
            2,
            substr_count(
                self::$server->text('/api/documents/' . $document->id . '/export?format=md'),
                $lamp->dataAddress(),
            ),
        );
    }

    public function testAPictureIsServedAsWhatItIsForEverAndWithoutItsScripts(): void
    {
        $this->withLamps();
        $headers = self::$server->headers('/api/pictures/' . (new Picture('svg+xml', self::LAMP))->hash);

        self::assertSame('image/svg+xml', $headers['content-type']);
        self::assertSame('nosniff', $headers['x-content-type-options']);
        self::assertStringContainsString('immutable', $headers['cache-control']);
        self::assertStringContainsString('sandbox', $headers['content-security-policy']);
        self::assertSame(
            'This picture is not kept here.',
            self::$server->get('GET', '/api/pictures/' . str_repeat('0', 64))['detail'] ?? null,
        );
    }

    public function testPicturesOfAnotherWriterAreNotServed(): void
    {
        $this->withLamps();
        $address = '/api/pictures/' . (new Picture('svg+xml', self::LAMP))->hash;
        $change = $this->database->prepare('UPDATE document SET owner_id = ? || owner_id');
        $change->execute(['another']);

        self::assertSame('This picture is not kept here.', self::$server->get('GET', $address)['detail'] ?? null);
        $this->database->exec("UPDATE document SET owner_id = replace(owner_id, 'another', '')");
        self::assertSame(self::LAMP, self::$server->text($address));
    }

    public function testAPictureTypedInIsTakenOutOfTheTextAndTheWindowIsTold(): void
    {
        $document = LiveDocument::from(self::$server, "# One\n\nWords.\n");
        $lamp = new Picture('svg+xml', self::LAMP);
        $outcome = $document->operate([
            'name' => 'replace-body',
            'section' => $document->section(0),
            'body' => [['type' => 'figure', 'attrs' => ['src' => $lamp->dataAddress(), 'alt' => 'Lamp']]],
        ]);

        $expected = [['type' => 'figure', 'attrs' => ['src' => $lamp->address(), 'alt' => 'Lamp']]];
        self::assertIsArray($outcome['texts']);
        self::assertIsArray($outcome['texts'][0]);
        self::assertSame($expected, $outcome['texts'][0]['body']);
        $this->assertKept(1);

        // Sent once more as it was, it changes nothing.
        $again = $document->operate([
            'name' => 'replace-body',
            'section' => $document->section(0),
            'body' => [['type' => 'figure', 'attrs' => ['src' => $lamp->dataAddress(), 'alt' => 'Lamp']]],
        ]);
        self::assertSame($outcome['revision'], $again['revision']);

        $document->undo();
        self::assertStringNotContainsString(
            'picture:',
            (string) json_encode($document->get('/texts?sections=' . $document->section(0))),
        );
        $document->redo();
        self::assertStringContainsString(
            $lamp->dataAddress(),
            self::$server->text('/api/documents/' . $document->id . '/export?format=html'),
        );
    }

    public function testAFileIsTakenInWhenItIsAPicture(): void
    {
        $document = LiveDocument::from(self::$server, "# One\n");
        $kept = self::$server->get('POST', '/api/documents/' . $document->id . '/pictures', "\x89PNG\r\n\x1a\nrest");

        self::assertSame(['src' => (new Picture('png', "\x89PNG\r\n\x1a\nrest"))->address()], $kept);
        self::assertSame(
            'not-a-picture',
            self::$server->get('POST', '/api/documents/' . $document->id . '/pictures', '%PDF-1.7')['reason'] ?? null,
        );
        self::assertSame(
            'picture-too-large',
            self::$server->get(
                'POST',
                '/api/documents/' . $document->id . '/pictures',
                str_pad('GIF89a', Picture::MAX_BYTES + 1),
            )['reason'] ?? null,
        );
        // PNG (W3C), 11.2.2: the head of a picture that is 20,000 dots wide and high.
        $large = "\x89PNG\r\n\x1a\n" . pack('N', 13) . 'IHDR' . pack('NNC5', 20_000, 20_000, 8, 2, 0, 0, 0) . 'crc.';
        self::assertSame(
            'A picture may have 60 million dots at most, such as 10,000 by 6,000; make it smaller first.',
            self::$server->get('POST', '/api/documents/' . $document->id . '/pictures', $large)['detail'] ?? null,
        );
        $address = (new Picture('png', $large))->dataAddress();
        $figure = ['type' => 'figure', 'attrs' => ['src' => $address, 'alt' => 'a']];
        self::assertSame(
            422,
            $document->operate([
                'name' => 'replace-body',
                'section' => $document->section(0),
                'body' => [$figure],
            ])['status'] ?? null,
        );
        $page = self::$server->get(
            'POST',
            '/api/documents/import?name=x.html',
            '<h1>A</h1><img src="' . $address . '">',
        );
        self::assertStringContainsString(
            'or than 60 million dots; only its description',
            (string) json_encode($page['report']),
        );
        $this->assertKept(1);
    }

    public function testAFileThatALinkLeadsToIsADownloadAndNothingElse(): void
    {
        $document = LiveDocument::from(self::$server, "# Log\n\nSee it.\n");
        $files = '/api/documents/' . $document->id . '/files?name=';
        $kept = self::$server->get('POST', $files . rawurlencode('The log, 1881.txt'), "<script>alert(1)</script>\n")[
            'src'
        ];
        self::assertIsString($kept);
        self::assertStringEndsWith('/The%20log%2C%201881.txt', $kept);
        $address = '/api/files/' . substr($kept, strlen('kept:'));

        $document->operate([
            'name' => 'replace-body',
            'section' => $document->section(0),
            'body' => [
                [
                    'type' => 'paragraph',
                    'content' => [
                        [
                            'type' => 'text',
                            'text' => 'it',
                            'marks' => [['type' => 'link', 'attrs' => ['href' => $kept, 'title' => null]]],
                        ],
                    ],
                ],
            ],
        ]);
        self::assertSame("<script>alert(1)</script>\n", self::$server->text($address));
        $headers = self::$server->headers($address);
        self::assertSame('application/octet-stream', $headers['content-type'] ?? null);
        self::assertStringStartsWith('attachment;', $headers['content-disposition'] ?? '');
        self::assertSame('nosniff', $headers['x-content-type-options'] ?? null);
        self::assertStringContainsString(
            '<p>it</p>',
            self::$server->text('/api/documents/' . $document->id . '/export?format=html'),
        );

        foreach (['run.exe', 'page.html', 'no-ending', '../x.txt', "a\nb.txt"] as $name) {
            self::assertSame(
                'file-not-allowed',
                self::$server->get('POST', $files . rawurlencode($name), 'x')['reason'] ?? null,
                $name,
            );
        }
        self::assertSame(
            'file-too-large',
            self::$server->get('POST', $files . 'a.txt', str_repeat('x', KeptFile::MAX_BYTES + 1))['reason'] ?? null,
        );
    }

    public function testAPictureStaysWhileAnyDocumentCanShowIt(): void
    {
        $first = $this->withLamps();
        $second = LiveDocument::from(self::$server, "# There\n");
        $taken = $first->post('/transfer', [
            'baseRevision' => $first->revision(),
            'sections' => [$first->section(0)],
            'other' => $second->id,
            'landing' => 'after',
            'target' => $second->section(0),
            'moves' => false,
        ]);
        self::assertArrayHasKey('section', $taken);

        $this->thrownAway($first->id);
        $this->assertKept(1);
        self::assertSame(
            self::LAMP,
            self::$server->text('/api/pictures/' . (new Picture('svg+xml', self::LAMP))->hash),
        );
    }

    public function testTheWordsOfATextStandBesideIt(): void
    {
        $document = LiveDocument::from(
            self::$server,
            "# One\n\nA *lamp*[^1] burns.\n\n- oil\n- wick\n\n[^1]: Of brass.\n",
        );
        $document->type(0, 'It went out.');

        self::assertSame(['It went out.'], $this->column('SELECT plain_text FROM section'));
        $document->undo();
        self::assertSame(["A lampOf brass. burns.\noil\nwick"], $this->column('SELECT plain_text FROM section'));
    }

    private function withLamps(): LiveDocument
    {
        $address = (new Picture('svg+xml', self::LAMP))->dataAddress();

        return LiveDocument::from(
            self::$server,
            "# One\n\n<img src=\"{$address}\" alt=\"Lamp\">\n\n# Two\n\nSee <img src=\"{$address}\" alt=\"lamp\">.\n",
        );
    }

    private function thrownAway(string $id): void
    {
        self::$server->find('DELETE', '/api/documents/' . $id);
        self::$server->find('DELETE', '/api/removed-documents/' . $id);
    }

    private function assertKept(int $count): void
    {
        self::assertSame([$count], $this->column('SELECT count(*) FROM stored_file'));
    }

    /** @return array<mixed> */
    private function column(string $query): array
    {
        $statement = $this->database->query($query);

        return false === $statement ? [] : $statement->fetchAll(\PDO::FETCH_COLUMN);
    }
}
