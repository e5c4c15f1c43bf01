<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveServer;
use Symfony\Component\Process\Process;

/** Over HTTP, against a real server and a real file. */
final class NothingIsLostTest extends TestCase
{
    public function testEveryAcknowledgedEditIsThereAfterAKill(): void
    {
        $server = LiveServer::overEmptyDatabase();
        for ($round = 1; $round <= 3; ++$round) {
            [$id, $section] = $this->document($server, "# One\n\ntext\n");
            $revision = 1;
            $kept = 0;
            $stop = random_int(5, 40);
            for ($edit = 1; $edit <= 60; ++$edit) {
                if ($edit === $stop) {
                    $server->kill();
                }
                $answer = $server->find('POST', "/api/documents/{$id}/operations", [
                    'baseRevision' => $revision,
                    'operation' => self::typing($section, "edit {$edit}"),
                ]);
                if (null === $answer) {
                    break;
                }
                $revision = $answer['revision'] ?? self::fail('An edit was not acknowledged: ' . json_encode($answer));
                $kept = $edit;
            }
            $server = $server->startedAgain();

            self::assertGreaterThanOrEqual($stop - 1, $kept);
            self::assertContains($this->text($server, $id, $section), ["edit {$kept}", 'edit ' . ($kept + 1)]);
        }
    }

    public function testUndoAndRedoWalkTheWholeHistoryToTheByte(): void
    {
        $server = LiveServer::overEmptyDatabase();
        [$id, $section] = $this->document($server, "# One\n\ntext\n\n## Two\n\nmore\n\n# Three\n\nlast\n");
        $states = [$this->state($server, $id)];
        $operations = [
            ['name' => 'demote', 'sections' => [$section]],
            self::typing($section, 'rewritten'),
            ['name' => 'split', 'section' => $section, 'from' => 4],
            ['name' => 'duplicate', 'sections' => [$section]],
            ['name' => 'delete', 'sections' => [$section]],
            ['name' => 'describe-document', 'title' => 'Another title'],
        ];
        $revision = 1;
        foreach ($operations as $operation) {
            $revision = $server->get('POST', "/api/documents/{$id}/operations", [
                'baseRevision' => $revision,
                'operation' => $operation,
            ])['revision'];
            $states[] = $this->state($server, $id);
        }
        for ($step = count($operations) - 1; $step >= 0; --$step) {
            $revision = $server->get('POST', "/api/documents/{$id}/undo", ['baseRevision' => $revision])['revision'];
            self::assertSame($states[$step], $this->state($server, $id), 'Undoing step ' . $step);
        }
        self::assertSame(
            'There is nothing to undo.',
            $server->get('POST', "/api/documents/{$id}/undo", ['baseRevision' => $revision])['detail'],
        );
        for ($step = 1; $step <= count($operations); ++$step) {
            $revision = $server->get('POST', "/api/documents/{$id}/redo", ['baseRevision' => $revision])['revision'];
            self::assertSame($states[$step], $this->state($server, $id), 'Doing step ' . $step . ' again');
        }
    }

    public function testAStaleWriteIsAnsweredWithTheNewerState(): void
    {
        $server = LiveServer::overEmptyDatabase();
        [$id, $section] = $this->document($server, "# One\n\ntext\n");
        $server->get('POST', "/api/documents/{$id}/operations", [
            'baseRevision' => 1,
            'operation' => self::typing($section, 'theirs'),
        ]);
        $stale = $server->get('POST', "/api/documents/{$id}/operations", [
            'baseRevision' => 1,
            'operation' => self::typing($section, 'mine'),
        ]);

        self::assertSame([409, 'stale'], [$stale['status'], $stale['reason']]);
        self::assertStringContainsString('theirs', json_encode($stale['texts'], \JSON_THROW_ON_ERROR));
        self::assertSame('theirs', $this->text($server, $id, $section));
    }

    public function testAReaderNeverMeetsHalfOfAChangeWhileAnotherWrites(): void
    {
        $server = LiveServer::overEmptyDatabase(workers: 3);
        [$id, $section] = $this->document($server, "# One\n\ntext\n\n## Two\n\nmore\n");
        $writer = new Process([
            \PHP_BINARY,
            '-r',
            <<<'PHP'
            [, $address, $id, $section] = $argv;
            $call = static fn (string $method, string $path, array $body = []): array => json_decode((string) file_get_contents($address.$path, false, stream_context_create(['http' => ['method' => $method, 'header' => 'Content-Type: application/json', 'content' => json_encode($body), 'ignore_errors' => true]])), true);
            $revision = $call('GET', "/api/documents/{$id}")['revision'];
            for ($round = 0; $round < 60; ++$round) {
                $made = $call('POST', "/api/documents/{$id}/operations", ['baseRevision' => $revision, 'operation' => ['name' => 'split', 'section' => $section, 'from' => 2]]);
                $new = $made['order'][0]['inserted']['ids'][0];
                $revision = $call('POST', "/api/documents/{$id}/operations", ['baseRevision' => $made['revision'], 'operation' => ['name' => 'join', 'section' => $new, 'heading' => 'offcut']])['revision'];
            }
            PHP
            ,
            $server->address(),
            $id,
            $section,
        ]);
        $writer->start();
        $read = 0;
        while ($writer->isRunning()) {
            $skeleton = $server->get('GET', "/api/documents/{$id}");
            self::assertIsArray($skeleton['outline'] ?? null, json_encode($skeleton, \JSON_THROW_ON_ERROR));
            self::assertIsArray($skeleton['outline']['ids']);
            self::assertIsArray($skeleton['sections']);
            self::assertSame($skeleton['outline']['ids'], array_column($skeleton['sections'], 'id'));
            ++$read;
        }
        self::assertSame('', $writer->getErrorOutput() . $writer->getOutput());
        self::assertGreaterThan(60, $read);
    }

    /** @return array{string, string} the document's id and its first section's */
    private function document(LiveServer $server, string $markdown): array
    {
        $id = $server->get('POST', '/api/documents/import?name=x.md', $markdown)['id'];
        self::assertIsString($id);
        $outline = $server->get('GET', "/api/documents/{$id}")['outline'];
        self::assertIsArray($outline);
        self::assertIsArray($outline['ids']);
        self::assertIsString($outline['ids'][0]);

        return [$id, $outline['ids'][0]];
    }

    /** @return array<string, mixed> */
    private static function typing(string $section, string $words): array
    {
        return [
            'name' => 'replace-body',
            'section' => $section,
            'body' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $words]]]],
        ];
    }

    private function text(LiveServer $server, string $id, string $section): string
    {
        $texts = json_encode(
            $server->get('GET', "/api/documents/{$id}/texts?sections={$section}"),
            \JSON_THROW_ON_ERROR,
        );

        return 1 === preg_match('/"text":"([^"]*)"/', substr($texts, (int) strpos($texts, '"body"')), $match)
            ? $match[1]
            : '';
    }

    /** Everything but the revisions, which only ever go up. */
    private function state(LiveServer $server, string $id): string
    {
        $skeleton = $server->get('GET', "/api/documents/{$id}");
        $outline = $skeleton['outline'];
        self::assertIsArray($outline);
        self::assertIsArray($outline['ids']);
        $texts = $server->get(
            'GET',
            "/api/documents/{$id}/texts?sections=" . implode(',', array_filter($outline['ids'], is_string(...))),
        );
        usort($texts, static fn(mixed $a, mixed $b): int => json_encode($a) <=> json_encode($b));

        return (string) preg_replace(
            '/"(?:revision|outlineRevision|cutAt)":\d+/',
            '',
            json_encode(
                [
                    $skeleton['titleBlock'],
                    $outline,
                    $skeleton['sections'],
                    $texts,
                    $server->get('GET', "/api/documents/{$id}/offcuts"),
                ],
                \JSON_THROW_ON_ERROR,
            ),
        );
    }
}
