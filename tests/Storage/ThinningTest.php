<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveDocument;
use Stemmata\Tests\Support\LiveServer;

/**
 * A history thinned by the writer's rule still leads back to the beginning, to each milestone, and forth again, to the
 * letter.
 */
final class ThinningTest extends TestCase
{
    private const WEEK = 604_800;

    public function testTheWayBackIsExactAndMilestonesStand(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# One\n\na\n\n## Two\n\nb\n\n# Three\n\nc\n");
        $beginning = $document->text();
        $document->operate(['name' => 'demote', 'sections' => [$document->section(2)]]);
        $document->type(0, 'typed');
        $named = $document->text();
        $milestone = $document->post('/history/milestones', ['name' => 'First']);
        $document->operate(['name' => 'split', 'section' => $document->section(0), 'from' => 3]);
        $document->operate(['name' => 'delete', 'sections' => [$document->section(1)]]);
        $document->operate(['name' => 'duplicate', 'sections' => [$document->section(0)]]);
        $document->undo();
        $document->operate(['name' => 'describe-document', 'title' => 'Another']);
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'Named']);
        $end = $document->text();
        $this->age($server, 6);
        self::assertSame(['fewer' => 0], $this->rule($server, $document, 8), 'nothing is so old');
        self::assertSame(['fewer' => 5], $this->rule($server, $document, 4));

        self::assertSame(
            ['4 steps of one day, the last: Renamed “One” to “Named”', '2 steps of one day, the last: Wrote in “One”'],
            array_column($document->steps(), 'label'),
        );
        $document->undo();
        self::assertSame($named, $document->text());
        $document->undo();
        self::assertSame($beginning, $document->text());
        $document->redo();
        $document->redo();
        self::assertSame($end, $document->text());
        $document->post('/history/return', ['baseRevision' => $document->revision(), 'state' => $milestone['state']]);
        self::assertSame($named['outline'], $document->text()['outline']);
        self::assertSame(4, $document->get('/history')['keptWeeks']);
    }

    public function testTheLastWeeksCannotBeThinned(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# One\n\na\n");
        foreach ([3, 0, -1, 521] as $weeks) {
            self::assertSame(
                'Steps can be put together after 4 to 520 weeks.',
                $this->rule($server, $document, $weeks)['detail'],
            );
        }
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'A']);
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'B']);
        $this->age($server, 3);
        self::assertSame(['fewer' => 0], $this->rule($server, $document, 4));
        self::assertCount(2, $document->steps());
    }

    public function testYearsOfStepsArePutTogetherInPortionsAndADamagedDayStays(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# One\n\na\n");
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'A']);
        $connection = new \PDO('sqlite:' . $server->data . '/stemmata.sqlite');
        // Three steps on each of 400 days, as one who does the same every day would make them.
        $connection->exec('WITH RECURSIVE n(i) AS (SELECT 2 UNION ALL SELECT i + 1 FROM n WHERE i < 1200)
            INSERT INTO journal (id, document_id, revision, label, typed_in, change, started_at, made_at, state, previous_id)
            SELECT i, document_id, revision, label, typed_in, change, started_at, made_at, state, i - 1 FROM journal, n');
        $connection->exec(
            'UPDATE journal SET made_at = (made_at / 86400 - 500 + (id - 1) / 3) * 86400 + 43200 + id, started_at = (made_at / 86400 - 500 + (id - 1) / 3) * 86400 + 43200 + id',
        );
        $connection->exec("UPDATE journal SET change = '{' WHERE id = 5");

        self::assertSame(['fewer' => 798], $this->rule($server, $document, 4), 'two of each day but one');
        $left = $connection->query('SELECT COUNT(*), SUM(id BETWEEN 4 AND 6) FROM journal');
        self::assertSame([402, 3], false === $left ? null : $left->fetch(\PDO::FETCH_NUM));
        self::assertSame(['fewer' => 0], $this->rule($server, $document, 4));
        $document->operate(['name' => 'rename', 'section' => $document->section(0), 'heading' => 'B']);
        self::assertSame(['1 B'], $document->outline(), 'a step that cannot be read keeps no one from writing');
    }

    public function testARemovedDocumentIsPurgedWithAllThatIsItsOwn(): void
    {
        $server = LiveServer::overEmptyDatabase();
        $document = LiveDocument::from($server, "# One\n\na [b](#one)\n\n# Two\n");
        $kept = LiveDocument::from($server, "# Kept\n");
        $document->operate(['name' => 'delete', 'sections' => [$document->section(1)]]);
        $document->post('/history/milestones', ['name' => 'First']);
        self::assertSame(
            404,
            $server->get('DELETE', '/api/removed-documents/' . $document->id)['status'],
            'only what is off the desk',
        );
        $server->find('DELETE', '/api/documents/' . $document->id);
        self::assertSame([$document->id], array_column($server->get('GET', '/api/removed-documents'), 'id'));
        $server->find('DELETE', '/api/removed-documents/' . $document->id);

        self::assertSame([], $server->get('GET', '/api/removed-documents'));
        $connection = new \PDO('sqlite:' . $server->data . '/stemmata.sqlite');
        foreach (['section', 'offcut', 'reference', 'journal', 'milestone'] as $table) {
            $left = $connection->query('SELECT COUNT(*) FROM ' . $table . " WHERE document_id <> '" . $kept->id . "'");
            self::assertSame(0, false === $left ? null : $left->fetchColumn(), $table);
        }
        self::assertSame(['1 Kept'], $kept->outline());
    }

    /** @return array<mixed> */
    private function rule(LiveServer $server, LiveDocument $document, int $weeks): array
    {
        return $server->get('PUT', '/api/documents/' . $document->id . '/history/rule', ['weeks' => $weeks]);
    }

    private function age(LiveServer $server, int $weeks): void
    {
        $connection = new \PDO('sqlite:' . $server->data . '/stemmata.sqlite');
        // To noon of that day, so that no midnight falls among them.
        $connection->exec(
            sprintf(
                'UPDATE journal SET started_at = started_at / 86400 * 86400 + 43200 + id - %1$d, made_at = made_at / 86400 * 86400 + 43200 + id - %1$d',
                $weeks * self::WEEK,
            ),
        );
    }
}
