<?php

declare(strict_types=1);

// Measures each structural operation over HTTP against an empty route of the same server and a bare transaction of the
// same rows.

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\OutlineWalk;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Kernel;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\RandomIds;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\File\StoredFiles;
use Stemmata\Storage\History\Journal;
use Stemmata\Storage\Section\ChangeWriter;
use Stemmata\Storage\Section\Facts;
use Stemmata\Storage\Section\KnownTexts;
use Stemmata\Storage\Section\OffcutRows;
use Stemmata\Storage\Section\SectionRows;
use Stemmata\Storage\Section\WritingLog;
use Symfony\Component\Clock\NativeClock;

require dirname(__DIR__) . '/vendor/autoload.php';

define('IS_QUICK', '' !== (string) getenv('BENCH_QUICK'));
define('ROUNDS', IS_QUICK ? 3 : 41);
define('SIZES', IS_QUICK ? [40, 100, 400] : [100, 1000, 10_000]);
define('MOST', SIZES[2]);
const WORDS = 100;

$address = $argv[1] ?? exit("usage: operations.php ADDRESS [documents]   to make nothing but these\n");
$kernel = new Kernel('prod', false);
$kernel->boot();
$entities = $kernel->getContainer()->get('doctrine')->getManager();
assert($entities instanceof EntityManagerInterface);
$ids = new RandomIds();
$lock = new WriteLock($entities);
$known = new KnownTexts();
$files = new StoredFiles($entities->getConnection());
$clock = new NativeClock();
$rows = new SectionRows($entities->getConnection(), new WordCount(), $known, $files);
$desk = new Desk($entities, $lock, $rows, $ids, $files, new CurrentWriter($entities), $clock);
$offcuts = new OffcutRows($entities->getConnection());

/** @param Closure(): void $work */
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

function partOf(int $count): int
{
    return min(500, intdiv($count, 2));
}

function made(int $count, RandomIds $ids): Document
{
    $text = rtrim(str_repeat('glass keeper reading gale lamp ', intdiv(WORDS, 5)));
    $sections = [];
    for ($at = 0; $at < $count; ++$at) {
        // Parts of five hundred sections or of half a short document, chapters of ten, and under each chapter nine
        // sections.
        $level = match (true) {
            0 === $at % partOf($count) => Level::One,
            0 === $at % 10 => Level::Two,
            default => Level::Three,
        };
        $sections[] = [
            $level,
            new Section(
                $ids->next(),
                Heading::plain('Section ' . $at),
                Body::of([Node::paragraph([Node::text($text)])]),
            ),
        ];
    }

    return Document::of(new TitleBlock($count . ' sections'), $sections);
}

$handle = curl_init();
$post = static function (string $path, array $body) use ($handle, $address): array {
    curl_setopt_array($handle, [
        \CURLOPT_URL => $address . $path,
        \CURLOPT_POST => true,
        \CURLOPT_POSTFIELDS => json_encode($body),
        \CURLOPT_RETURNTRANSFER => true,
        \CURLOPT_HTTPHEADER => ['Content-Type: application/json'],
    ]);
    $answer = json_decode((string) curl_exec($handle), true);
    if (!is_array($answer) || isset($answer['detail'])) {
        throw new RuntimeException($path . ': ' . json_encode($answer));
    }

    return $answer;
};

/** @param list<float> $times */
function middle(array $times): float
{
    sort($times);

    return $times[intdiv(count($times), 2)];
}

/** @param Closure(): void $work */
function timed(Closure $work): float
{
    $start = hrtime(true);
    $work();

    return (hrtime(true) - $start) / 1e6;
}

// The machine's speed changes from minute to minute, so everything that is compared is measured in turn, round by
// round.
$made = [];
$core = [];
foreach (SIZES as $count) {
    $document = made($count, $ids);
    $core[$count] = [
        median(static fn() => (new OutlineWalk($document->outline))->parents()),
        median(static fn() => $document->numbers()),
    ];
    $at = intdiv($count, 2) + 10;
    $all = $document->outline->ids();
    $made[$count] = [
        'id' => $desk->add($document),
        'revision' => 1,
        'outline' => $document->outline,
        'chapter' => $all[$at]->value,
        'leaf' => $all[$at + 5]->value,
        'far' => $all[10]->value,
        'part' => $all[intdiv($count, 2)]->value,
        'first' => $all[0]->value,
    ];
    $last = $made[$count]['id'];
    $entities->clear();
}
if ('documents' === ($argv[2] ?? '')) {
    exit();
}
$send = static function (int $count, string $path, array $body) use ($post, &$made): void {
    $made[$count]['revision'] = $post('/api/documents/' . $made[$count]['id'] . $path, [
        'baseRevision' => $made[$count]['revision'],
        ...$body,
    ])['revision'];
};
$text = [
    [
        'type' => 'paragraph',
        'content' => [
            ['type' => 'text', 'text' => rtrim(str_repeat('glass keeper reading gale lamp ', intdiv(WORDS, 5)))],
        ],
    ],
];
$operations = [
    'promote a branch of 10' => static fn(array $in): array => ['name' => 'promote', 'sections' => [$in['chapter']]],
    'demote a branch of 10' => static fn(array $in): array => ['name' => 'demote', 'sections' => [$in['chapter']]],
    'move a branch of 10 far away' => static fn(array $in): array => [
        'name' => 'move',
        'sections' => [$in['chapter']],
        'landing' => 'before',
        'target' => $in['far'],
    ],
    'move a part of 500 (50 of 100) to the head' => static fn(array $in): array => [
        'name' => 'move',
        'sections' => [$in['part']],
        'landing' => 'before',
        'target' => $in['first'],
    ],
    'demote a part of 500 (50 of 100)' => static fn(array $in): array => [
        'name' => 'demote',
        'sections' => [$in['part']],
    ],
    'move up' => static fn(array $in): array => ['name' => 'move-up', 'sections' => [$in['leaf']]],
    'rename' => static fn(array $in): array => ['name' => 'rename', 'section' => $in['leaf'], 'heading' => 'Renamed'],
    'type (replace a body)' => static fn(array $in): array => [
        'name' => 'replace-body',
        'section' => $in['leaf'],
        'body' => [...$text, ['type' => 'separator']],
    ],
    'split' => static fn(array $in): array => ['name' => 'split', 'section' => $in['leaf'], 'from' => 60],
    'join' => static fn(array $in): array => ['name' => 'join', 'section' => $in['leaf'], 'heading' => 'paragraph'],
    'insert' => static fn(array $in): array => ['name' => 'insert', 'landing' => 'after', 'target' => $in['leaf']],
    'duplicate a branch of 10' => static fn(array $in): array => [
        'name' => 'duplicate',
        'sections' => [$in['chapter']],
    ],
    'delete a branch of 10' => static fn(array $in): array => ['name' => 'delete', 'sections' => [$in['chapter']]],
];
// The same rows as a move writes, by PDO alone: the document's row with its outline, and one line of the journal.
$pdo = new PDO('sqlite:' . getenv('STEMMATA_DATA') . '/stemmata.sqlite');
$pdo->exec('PRAGMA busy_timeout = 10000; PRAGMA synchronous = FULL');
$bare = static function (int $count) use ($pdo, $made): void {
    $outline = $made[$count]['outline'];
    $pdo->exec('BEGIN IMMEDIATE');
    // Beside the document's own row, so that the document stays what it is.
    $pdo->prepare('UPDATE document SET outline_ids = outline_ids || ?, outline_ids = ? WHERE id = ?')->execute([
        '',
        $outline->ids,
        $made[$count]['id'],
    ]);
    $pdo->prepare(
        "INSERT INTO journal (document_id, state, revision, started_at, made_at, label, change) VALUES (?, 'overtaken', 0, 0, 0, 'x', ?)",
    )->execute([$made[$count]['id'], str_repeat('x', 900)]);
    $pdo->exec('COMMIT');
};

printf(
    '| operation | %1$s | %2$s | %3$s sections | %3$s ÷ %1$s | empty route | bare transaction | %3$s ÷ (empty + bare) |' .
        "\n| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: |\n",
    ...array_map(number_format(...), SIZES),
);
$row = static function (string $name, array $times, array $empty, array $floor): void {
    [$small, $middle, $large] = [middle($times[SIZES[0]]), middle($times[SIZES[1]]), middle($times[MOST])];
    printf(
        "| %s | %.1f ms | %.1f ms | %.1f ms | %.2f | %.1f ms | %.2f ms | %.2f |\n",
        $name,
        $small,
        $middle,
        $large,
        $large / $small,
        middle($empty),
        middle($floor),
        $large / (middle($empty) + middle($floor)),
    );
};
$undone = array_fill_keys(SIZES, []);
foreach ($operations as $name => $operation) {
    $times = array_fill_keys(SIZES, []);
    $empty = [];
    $floor = [];
    for ($round = 0; $round < ROUNDS; ++$round) {
        foreach (array_keys($times) as $count) {
            $empty[] = timed(static fn() => $post('/api/ping', []));
            $times[$count][] = timed(
                static fn() => $send($count, '/operations', ['operation' => $operation($made[$count])]),
            );
            $undone[$count][] = timed(static fn() => $send($count, '/undo', []));
        }
        $floor[] = timed(static fn() => $bare(MOST));
    }
    $row($name, $times, $empty, $floor);
}
$row('undo', $undone, $empty, $floor);

echo "\n| with " .
    number_format(MOST) .
    " sections picked | as a whole | undone | bare transaction of its rows | ratio |\n| --- | ---: | ---: | ---: | ---: |\n";
$everything = array_map(static fn($id): string => $id->value, $made[MOST]['outline']->ids());
$bareRows = static function () use ($pdo): void {
    $pdo->exec('BEGIN IMMEDIATE; CREATE TABLE IF NOT EXISTS bare (id TEXT PRIMARY KEY, body TEXT)');
    $insert = $pdo->prepare('INSERT OR REPLACE INTO bare VALUES (?, ?)');
    for ($row = 0; $row < MOST; ++$row) {
        $insert->execute([md5((string) $row), str_repeat('glass ', 110)]);
    }
    $pdo->exec('COMMIT');
};
foreach (
    [
        'marked' => ['name' => 'describe-section', 'sections' => $everything, 'marker' => 'leaf'],
        'deleted' => ['name' => 'delete', 'sections' => $everything],
        'deleted, each heading alone' => ['name' => 'delete', 'sections' => $everything, 'extent' => 'heading-only'],
        'duplicated' => ['name' => 'duplicate', 'sections' => $everything],
    ]
    as $name => $operation
) {
    [$times, $undos, $bares] = [[], [], []];
    for ($round = 0; $round < min(5, ROUNDS); ++$round) {
        $times[] = timed(static fn() => $send(MOST, '/operations', ['operation' => $operation]));
        $undos[] = timed(static fn() => $send(MOST, '/undo', []));
        $bares[] = timed($bareRows);
    }
    printf(
        "| %s | %.2f s | %.2f s | %.2f s | %.1f |\n",
        $name,
        middle($times) / 1000,
        middle($undos) / 1000,
        middle($bares) / 1000,
        middle($times) / middle($bares),
    );
}
$pdo->exec('DROP TABLE bare');

gc_collect_cycles();
memory_reset_peak_usage();
$store = new DocumentStore(
    $entities,
    $lock,
    new ChangeWriter(
        $rows,
        $offcuts,
        $files,
        new WritingLog($entities->getConnection(), new Facts($entities->getConnection())),
    ),
    new Journal($entities),
    $known,
    $files,
    new CurrentWriter($entities),
    $clock,
);
$record = $store->get($last);
$before = memory_get_usage();
$store->apply(
    $last,
    $record->revision,
    (new OperationReader($ids))->read([
        'name' => 'move',
        'sections' => [$record->outline()->idAt(intdiv(MOST * 3, 5))->value],
        'landing' => 'before',
        'target' => $record->outline()->idAt(10)->value,
    ]),
);
$peak = memory_get_peak_usage() / 1024 / 1024;

echo "\n";
printf(
    "Core, %s sections: outline %.1f ms, numbering %.1f ms, together %.1f ms. Peak of PHP during a far move there: %.0f MB.\n",
    number_format(MOST),
    $core[MOST][0],
    $core[MOST][1],
    array_sum($core[MOST]),
    $peak,
);
