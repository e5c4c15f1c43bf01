<?php

declare(strict_types=1);

use League\CommonMark\Environment\Environment;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\Footnote\FootnoteExtension;
use League\CommonMark\Extension\Table\TableExtension;
use League\CommonMark\Parser\MarkdownParser;
use Stemmata\Tests\Support\Services;

require dirname(__DIR__) . '/vendor/autoload.php';

/**
 * Reading a text of a million words and 5,000 headings, beside what others take for the same file in the same run.
 *
 * usage: php bench/imports.php        prints a table for docs/performance.md
 *        php bench/imports.php read FILE | parse FILE   measures one reading, for the table
 */
const WORDS_PER_SECTION = 200;
define('IS_QUICK', '' !== (string) getenv('BENCH_QUICK'));
define('HEADINGS', IS_QUICK ? 100 : 5000);

if ('read' === ($argv[1] ?? '')) {
    $bytes = (string) file_get_contents($argv[2]);
    $began = hrtime(true);
    $read = Services::formats()->readAsIs($argv[2], $bytes);
    echo json_encode([
        'seconds' => (hrtime(true) - $began) / 1e9,
        'peak' => memory_get_peak_usage(true),
        'sections' => $read->document->outline->count(),
    ]);
    exit();
}
if ('parse' === ($argv[1] ?? '')) {
    $environment = new Environment(['max_nesting_level' => 40, 'max_delimiters_per_line' => 1000]);
    $environment->addExtension(new CommonMarkCoreExtension());
    $environment->addExtension(new TableExtension());
    $environment->addExtension(new FootnoteExtension());
    $text = (string) file_get_contents($argv[2]);
    $began = hrtime(true);
    (new MarkdownParser($environment))->parse($text);
    echo json_encode([
        'seconds' => (hrtime(true) - $began) / 1e9,
        'peak' => memory_get_peak_usage(true),
        'sections' => 0,
    ]);
    exit();
}

$folder = sys_get_temp_dir() . '/stemmata-bench' . (IS_QUICK ? '-quick' : '');
is_dir($folder) || mkdir($folder);
if (!is_file($folder . '/million.docx')) {
    file_put_contents($folder . '/million.md', made());
    foreach (['docx', 'odt', 'epub', 'html'] as $format) {
        fwrite(\STDERR, "Making million.{$format} …\n");
        passthru(sprintf('pandoc -s -o %1$s/million.%2$s %1$s/million.md', escapeshellarg($folder), $format));
    }
}

echo "| file | Stemmata | beside it | ratio | wanted | peak |\n| --- | ---: | ---: | ---: | ---: | ---: |\n";
foreach (['docx' => 1.0, 'md' => 2.0, 'odt' => null, 'epub' => null, 'html' => null] as $format => $wanted) {
    $file = "{$folder}/million.{$format}";
    // In turn, so that a change in the machine's speed falls on both.
    $ours = $others = [];
    for ($round = 0; $round < ('md' === $format && !IS_QUICK ? 5 : 1); ++$round) {
        $ours[] = measured('read', $file);
        $others[] = 'md' === $format ? measured('parse', $file)['seconds'] : byPandoc($file, $format);
    }
    $seconds = median(array_column($ours, 'seconds'));
    $other = median($others);
    printf(
        "| million.%s (%.1f MB) | %.1f s | %s %.1f s | %.2f | %s | %d MB |\n",
        $format,
        filesize($file) / 1e6,
        $seconds,
        'md' === $format ? 'CommonMark parse' : 'pandoc to JSON',
        $other,
        $seconds / $other,
        null === $wanted ? '' : 'at most ' . $wanted,
        max(array_column($ours, 'peak')) / 1048576,
    );
}

function made(): string
{
    $words = explode(
        ' ',
        'the keepers wrote what they saw and what they saw was mostly weather on a good day it was the same weather as the day before and they said so in as few words as the column would hold while the glass fell and nobody came up the stair to read it twice',
    );
    mt_srand(7);
    $text = "---\ntitle: A million words\n---\n\n";
    for ($heading = 0; $heading < HEADINGS; ++$heading) {
        $text .=
            str_repeat('#', 0 === $heading % 50 ? 1 : (0 === $heading % 10 ? 2 : 3)) .
            " Section number {$heading} of the log\n\n";
        for ($left = WORDS_PER_SECTION; $left > 0; $left -= $length) {
            $length = min($left, mt_rand(40, 90));
            $paragraph = [];
            for ($count = 0; $count < $length; ++$count) {
                $word = $words[mt_rand(0, count($words) - 1)];
                $paragraph[] = 0 === mt_rand(0, 25) ? "*{$word}*" : $word;
            }
            $text .= ucfirst(implode(' ', $paragraph)) . ".\n\n";
        }
    }

    return $text;
}

/** @return array{seconds: float, peak: int, sections: int} */
function measured(string $how, string $file): array
{
    return json_decode(
        (string) shell_exec(
            sprintf(
                'php -d memory_limit=2G -d opcache.enable_cli=1 %s %s %s',
                escapeshellarg(__FILE__),
                $how,
                escapeshellarg($file),
            ),
        ),
        true,
        8,
        \JSON_THROW_ON_ERROR,
    );
}

function byPandoc(string $file, string $format): float
{
    $began = hrtime(true);
    shell_exec(sprintf('pandoc -f %s -t json -o /dev/null %s', $format, escapeshellarg($file)));

    return (hrtime(true) - $began) / 1e9;
}

/** @param list<float> $values */
function median(array $values): float
{
    sort($values);

    return $values[intdiv(count($values), 2)];
}
