<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Tests\Mutants\Mutation;
use Stemmata\Tests\Mutants\PhpMutations;
use Stemmata\Tests\Mutants\TextMutations;
use Stemmata\Tests\Mutants\Workbench;

$root = dirname(__DIR__, 2);
require $root . '/vendor/autoload.php';

/** Parts of the source that mistakes are made in. */
const PARTS = [
    'src/Core',
    'src/Storage',
    'src/Format',
    'frontend/src/document',
    'frontend/src/outline',
    'frontend/src/editor',
];
/** Copies in which they are looked for side by side. */
const COPIES = 2;

/** @return list<string> files of a part, from the root */
function filesOf(string $root, string $part): array
{
    $files = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root . '/' . $part)) as $file) {
        if (
            $file instanceof SplFileInfo &&
            1 === preg_match('/(?<!\.test|\.test-helper)\.(?:php|ts)\z/', $file->getFilename())
        ) {
            $files[] = substr($file->getPathname(), strlen($root) + 1);
        }
    }
    sort($files);

    return $files;
}

/**
 * @param list<string> $parts
 *
 * @return list<Mutation>
 */
function sample(string $root, array $parts, int $count, int $seed): array
{
    $all = [];
    foreach ($parts as $part) {
        foreach (filesOf($root, $part) as $file) {
            $source = (string) file_get_contents($root . '/' . $file);
            array_push(
                $all,
                ...str_ends_with($file, '.php') ? PhpMutations::of($file, $source) : TextMutations::of($file, $source),
            );
        }
    }
    $all = (new Randomizer(new Mt19937($seed)))->shuffleArray($all);

    return array_slice($all, 0, $count);
}

/** Where the words stand nearest to a line, for the file may have changed since the line was noted. */
function nearest(string $source, string $words, int $line): ?int
{
    $places = [];
    for ($at = strpos($source, $words); false !== $at; $at = strpos($source, $words, $at + 1)) {
        $places[$at] = abs(1 + substr_count($source, "\n", 0, $at) - $line);
    }

    return [] === $places ? null : (int) array_search(min($places), $places, true);
}

/** @return list<Mutation> */
function listed(string $root, string $list): array
{
    $mutations = [];
    foreach (file($list, \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
        [$place, $old, $new] = [...explode("\t", $line), '', ''];
        [$file, $number] = [...explode(':', $place), '0'];
        $at =
            is_file($root . '/' . $file) && '' !== $old
                ? nearest((string) file_get_contents($root . '/' . $file), $old, (int) $number)
                : null;
        if (null === $at) {
            printf("not there: %s %s\n", $place, $old);
        } else {
            $mutations[] = new Mutation($file, $at, $old, $new, 'listed');
        }
    }

    return $mutations;
}

$isListed = '--from' === ($argv[1] ?? '');
$seed = (int) ($argv[2] ?? date('Ymd'));
$mutations = $isListed
    ? listed($root, $argv[2])
    : sample($root, isset($argv[3]) ? [$argv[3]] : PARTS, (int) ($argv[1] ?? 300), $seed);
printf("%d mistakes%s\n", count($mutations), $isListed ? '' : ' (seed ' . $seed . ')');

$children = [];
$results = [];
foreach (range(0, COPIES - 1) as $number) {
    $results[$number] = (string) tempnam(sys_get_temp_dir(), 'mutants');
    $child = pcntl_fork();
    if (0 === $child) {
        $bench = Workbench::copyOf($root, $number);
        foreach ($mutations as $index => $mutation) {
            if ($index % COPIES === $number) {
                $noticed = $bench->notices($mutation);
                $word = null === $noticed ? 'cannot be made' : ($noticed ? 'noticed' : 'SURVIVES');
                printf("%s\t%s\n", $word, $mutation->described($root));
                file_put_contents($results[$number], $word . "\n", \FILE_APPEND);
            }
        }
        $bench->remove();
        exit(0);
    }
    $children[] = $child;
}
foreach ($children as $child) {
    pcntl_waitpid($child, $status);
    if (!is_int($status) || 0 !== pcntl_wexitstatus($status)) {
        exit(1);
    }
}
$words = array_count_values(
    array_merge(...array_map(static fn(string $file): array => file($file, \FILE_IGNORE_NEW_LINES) ?: [], $results)),
);
array_map(unlink(...), $results);
$noticed = $words['noticed'] ?? 0;
$survived = $words['SURVIVES'] ?? 0;
printf("%d noticed, %d survive: %.1f %%\n", $noticed, $survived, (100 * $noticed) / max(1, $noticed + $survived));
