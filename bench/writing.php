<?php

declare(strict_types=1);

use Stemmata\Core\Rendition\Rendition;
use Stemmata\Tests\Support\Services;

require dirname(__DIR__) . '/vendor/autoload.php';

/**
 * Writing a text of a million words and 2,100 headings as DOCX, beside what pandoc takes from the same Markdown in the
 * same
 * run, reading included on both sides.
 *
 * usage: php bench/writing.php    prints a table for docs/performance.md
 */
$file = sys_get_temp_dir() . '/stemmata-bench-writing.md';
$words = ['the', 'keeper', 'wrote', 'glass', 'lamp', 'storm', 'reading', 'barometer', 'wind', 'north', 'sea', 'swell'];
$text = '';
foreach (range(1, '' === (string) getenv('BENCH_QUICK') ? 100 : 3) as $chapter) {
    $text .= "# Chapter $chapter\n\n";
    foreach (range(1, 20) as $section) {
        $text .= "## Section $chapter $section\n\n";
        foreach (range(1, 5) as $paragraph) {
            $line = implode(
                ' ',
                array_map(static fn(int $at): string => $words[($at * 7 + $paragraph) % count($words)], range(1, 100)),
            );
            $text .=
                "$line. See [that chapter](#chapter-" .
                (1 + $section * 3) .
                ") and *this*.[^$chapter-$section-$paragraph]\n\n[^$chapter-$section-$paragraph]: A note on **it**.\n\n";
        }
    }
}
file_put_contents($file, $text);

$began = hrtime(true);
exec('pandoc ' . escapeshellarg($file) . ' -o ' . escapeshellarg($file . '.pandoc.docx'));
$pandoc = (hrtime(true) - $began) / 1e9;

$began = hrtime(true);
$document = Services::formats()->read($file, $text)->document;
$read = (hrtime(true) - $began) / 1e9;
memory_reset_peak_usage();
$began = hrtime(true);
$bytes = 0;
foreach (Services::formats()->writerFor('docx')->write(Rendition::of($document)) as $portion) {
    $bytes += strlen($portion);
}
$written = (hrtime(true) - $began) / 1e9;

printf(
    "| from Markdown to DOCX, %s words | Stemmata | pandoc | ratio | wanted | peak of PHP while writing |\n| --- | ---: | ---: | ---: | ---: | ---: |\n",
    number_format(str_word_count($text)),
);
printf(
    "| %.1f MB of Markdown, %.1f MB of DOCX | %.1f s, of which writing %.1f s | %.1f s | %.2f | at most 0.5 | %d MB |\n",
    strlen($text) / 1e6,
    $bytes / 1e6,
    $read + $written,
    $written,
    $pandoc,
    ($read + $written) / $pandoc,
    memory_get_peak_usage() / 1e6,
);
