<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/** What does not fit is refused with 507 (RFC 4918, 11.5) and a sentence; nothing is stored by half, or empty. */
final class FullDisksTest extends TestCase
{
    /** @var list<string> */
    private array $disks = [];
    private ?LiveServer $server = null;

    protected function tearDown(): void
    {
        $this->server?->kill();
        foreach ($this->disks as $disk) {
            (new Process(['umount', '--lazy', $disk]))->run();
        }
    }

    public function testTheFolderForTemporaryFiles(): void
    {
        $this->server = $server = LiveServer::within(TemporaryFolder::made(), $this->disk(2));
        $document = LiveDocument::from($server, "# One\n\ntext\n");
        $before = $document->text();
        $long = '<h1>Long</h1>' . str_repeat('<p>' . str_repeat('words ', 100) . '</p>', 6000);

        foreach (
            [
                'a file that is linked to' => [
                    '/api/documents/' . $document->id . '/files?name=a.txt',
                    str_repeat('x', 3_000_000),
                ],
                'a file of text' => ['/api/documents/import?name=a.html', $long],
                'a picture' => [
                    '/api/documents/' . $document->id . '/pictures',
                    (string) file_get_contents(__DIR__ . '/../../docs/screenshots/desk.png') .
                    str_repeat("\0", 3_000_000),
                ],
            ]
            as $what => [$path, $bytes]
        ) {
            $this->assertNoRoom($server->get('POST', $path, $bytes), $what);
        }
        self::assertSame($before, $document->text());
        self::assertCount(1, $server->get('GET', '/api/documents'));
        $kept = $server->get('POST', '/api/documents/' . $document->id . '/files?name=a.txt', 'short');
        self::assertArrayNotHasKey('status', $kept, 'what fits is taken');
    }

    public function testTheDiskOfTheDatabase(): void
    {
        $this->server = $server = LiveServer::within($this->disk(24), TemporaryFolder::made());
        $words = str_repeat("\n\n## Two\n\n" . str_repeat('words ', 200), 400);
        $document = LiveDocument::from($server, "# One\n\ntext" . $words);
        $before = $document->text();

        $this->assertNoRoom(
            $server->get('POST', '/api/documents/import?name=b.md', '# B' . str_repeat($words, 12)),
            'a file of text',
        );
        for ($copies = 0, $copied = []; $copies < 20 && !isset($copied['status']); ++$copies) {
            $copied = $document->post('/copy', []);
        }
        $this->assertNoRoom($copied, 'a copy');
        $this->assertNoRoom(
            $server->get('POST', '/api/documents/' . $document->id . '/files?name=a.txt', random_bytes(20_000_000)),
            'a file that is linked to',
        );
        self::assertSame($before, $document->text());
    }

    /** @param array<mixed> $answer */
    private function assertNoRoom(array $answer, string $what): void
    {
        self::assertSame(507, $answer['status'] ?? null, $what . json_encode($answer));
        self::assertIsString($answer['detail']);
        self::assertStringContainsString('make room', $answer['detail']);
    }

    private function disk(int $megabytes): string
    {
        $folder = TemporaryFolder::made();
        $mount = new Process([
            'mount',
            '-t',
            'tmpfs',
            '-o',
            sprintf('size=%dm,mode=0700', $megabytes),
            'tmpfs',
            $folder,
        ]);
        if (0 !== $mount->run()) {
            self::markTestSkipped('Disks of a size of their own can be made by root only.');
        }
        $this->disks[] = $folder;

        return $folder;
    }
}
