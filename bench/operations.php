<?php

declare(strict_types=1);

// Measures each structural operation over HTTP against an empty route of the same server and a bare transaction of the same rows.

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Document;
use Stemmata\Core\Level;
use Stemmata\Core\Numbering\DecimalNumbering;
use Stemmata\Core\Operation\OperationReader;
use Stemmata\Core\OutlineWalk;
use Stemmata\Core\Section;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\TitleBlock;
use Stemmata\Kernel;
use Stemmata\Storage\ChangeWriter;
use Stemmata\Storage\Desk;
use Stemmata\Storage\DocumentStore;
use Stemmata\Storage\Journal;
use Stemmata\Storage\RandomIds;
use Stemmata\Core\Counting\WordCount;

require dirname(__DIR__).'/vendor/autoload.php';

const ROUNDS = 41;
const WORDS = 100;

$address = $argv[1] ?? exit("usage: operations.php ADDRESS\n");
$kernel = new Kernel('prod', false);
$kernel->boot();
$entities = $kernel->getContainer()->get('doctrine')->getManager();
assert($entities instanceof EntityManagerInterface);
$ids = new RandomIds();
$words = new WordCount();
$writer = new ChangeWriter($entities, $words);
$desk = new Desk($entities, $writer, $words, $ids);

/** @param \Closure(): void $work */
function median(Closure $work): float
{
    $times = [];
    for ($round = 0; $round < ROUNDS; ++$round) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv(ROUNDS, 2)];
}

function made(int $count, RandomIds $ids): Document
{
    $text = rtrim(str_repeat('glass keeper reading gale lamp ', intdiv(WORDS, 5)));
    $sections = [];
    for ($at = 0; $at < $count; ++$at) {
        // Parts of fifty sections, chapters of ten, and under each chapter nine sections.
        $level = match (true) {
            0 === $at % 50 => Level::One,
            0 === $at % 10 => Level::Two,
            default => Level::Three,
        };
        $sections[] = [$level, new Section($ids->next(), Heading::plain('Section '.$at), Body::of([Node::paragraph([Node::text($text)])]))];
    }

    return Document::of(new TitleBlock($count.' sections'), $sections);
}

$handle = curl_init();
$post = static function (string $path, array $body) use ($handle, $address): array {
    curl_setopt_array($handle, [CURLOPT_URL => $address.$path, CURLOPT_POST => true, CURLOPT_POSTFIELDS => json_encode($body), CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Content-Type: application/json']]);
    $answer = json_decode((string) curl_exec($handle), true);
    if (!is_array($answer) || isset($answer['detail'])) {
        throw new RuntimeException($path.': '.json_encode($answer));
    }

    return $answer;
};

$results = [];
$bare = [];
$core = [];
foreach ([100, 1000, 10000] as $count) {
    $document = made($count, $ids);
    $core[$count] = [
        median(static fn () => (new OutlineWalk($document->outline))->parents()),
        median(static fn () => DecimalNumbering::of($document->outline)),
    ];
    $id = $desk->add($document);
    $all = $document->outline->ids();
    // A chapter of ten sections in the middle of the document.
    $at = intdiv($count, 2) + 10;
    $chapter = $all[$at]->value;
    $leaf = $all[$at + 5]->value;
    $far = $all[10]->value;
    $revision = 1;
    $send = static function (array $operation) use ($post, $id, &$revision): array {
        $answer = $post("/api/documents/{$id}/operations", ['baseRevision' => $revision, 'operation' => $operation]);
        $revision = $answer['revision'];

        return $answer;
    };
    $undo = static function () use ($post, $id, &$revision): void {
        $revision = $post("/api/documents/{$id}/undo", ['baseRevision' => $revision])['revision'];
    };
    $body = json_decode((string) json_encode($document->section($all[$at + 5])->body->toJson()), true);
    $operations = [
        'promote a branch of 10' => ['name' => 'promote', 'sections' => [$chapter]],
        'demote a branch of 10' => ['name' => 'demote', 'sections' => [$chapter]],
        'move a branch of 10 far away' => ['name' => 'move', 'sections' => [$chapter], 'landing' => 'before', 'target' => $far],
        'move up' => ['name' => 'move-up', 'sections' => [$leaf]],
        'rename' => ['name' => 'rename', 'section' => $leaf, 'heading' => 'Renamed'],
        'split' => ['name' => 'split', 'section' => $leaf, 'from' => 60],
        'join' => ['name' => 'join', 'section' => $leaf, 'heading' => 'paragraph'],
        'insert' => ['name' => 'insert', 'landing' => 'after', 'target' => $leaf],
        'duplicate a branch of 10' => ['name' => 'duplicate', 'sections' => [$chapter]],
        'delete a branch of 10' => ['name' => 'delete', 'sections' => [$chapter]],
    ];
    $results['empty route'][$count] = median(static fn () => $post('/api/ping', []));
    foreach ($operations as $name => $operation) {
        $times = [];
        for ($round = 0; $round < ROUNDS; ++$round) {
            $start = hrtime(true);
            $send($operation);
            $times[] = (hrtime(true) - $start) / 1e6;
            $undo();
        }
        sort($times);
        $results[$name][$count] = $times[intdiv(ROUNDS, 2)];
    }
    $turn = 0;
    $results['type (replace a body)'][$count] = median(static function () use ($send, $leaf, $body, &$turn): void {
        $body[0]['content'][0]['text'] .= ' '.++$turn;
        $send(['name' => 'replace-body', 'section' => $leaf, 'body' => $body]);
    });
    $times = [];
    for ($round = 0; $round < ROUNDS; ++$round) {
        $send(['name' => 0 === $round % 2 ? 'demote' : 'promote', 'sections' => [$chapter]]);
        $start = hrtime(true);
        $undo();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);
    $results['undo'][$count] = $times[intdiv(ROUNDS, 2)];

    // The same rows as a move writes, by PDO alone: the document's row with its outline, and one line of the journal.
    $pdo = new PDO('sqlite:'.getenv('STEMMATA_DATA').'/stemmata.sqlite');
    $pdo->exec('PRAGMA synchronous = FULL');
    $change = str_repeat('x', 900);
    $bare[$count] = median(static function () use ($pdo, $id, $document, $change): void {
        $pdo->exec('BEGIN IMMEDIATE');
        $pdo->prepare('UPDATE document SET outline_ids = ?, outline_levels = ?, outline_flags = ?, changed_at = changed_at + 1 WHERE id = ?')->execute([$document->outline->ids, $document->outline->levels, $document->outline->flags, $id]);
        $pdo->prepare("INSERT INTO journal (document_id, state, revision, started_at, made_at, label, change) VALUES (?, 'overtaken', 0, 0, 0, 'x', ?)")->execute([$id, $change]);
        $pdo->exec('COMMIT');
    });
    $last = $id;
    $entities->clear();
}

gc_collect_cycles();
memory_reset_peak_usage();
$store = new DocumentStore($entities, $writer, new Journal($entities));
$record = $store->get($last);
$before = memory_get_usage();
$store->apply($last, $record->revision, (new OperationReader($ids))->read(['name' => 'move', 'sections' => [$record->outline()->idAt(6000)->value], 'landing' => 'before', 'target' => $record->outline()->idAt(10)->value]));
$peak = memory_get_peak_usage() / 1024 / 1024;

echo "| operation | 100 | 1,000 | 10,000 sections | 10,000 ÷ 100 | 10,000 ÷ (empty + bare) |\n| --- | ---: | ---: | ---: | ---: | ---: |\n";
$floor = $results['empty route'][10000] + $bare[10000];
foreach ($results as $name => $by) {
    printf("| %s | %.1f ms | %.1f ms | %.1f ms | %.2f | %.2f |\n", $name, $by[100], $by[1000], $by[10000], $by[10000] / $by[100], $by[10000] / $floor);
}
printf("| bare transaction | %.1f ms | %.1f ms | %.1f ms | %.2f | |\n\n", $bare[100], $bare[1000], $bare[10000], $bare[10000] / $bare[100]);
printf("Core, 10,000 sections: outline %.1f ms, numbering %.1f ms, together %.1f ms. Peak of PHP during a far move at 10,000 sections: %.0f MB.\n", $core[10000][0], $core[10000][1], array_sum($core[10000]), $peak);
