<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use PHPUnit\Framework\Assert;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Node;
use Symfony\Component\Process\Process;

/** Programs and libraries of others, asked to write files for our readers and to say what they read in them. */
final class Foreign
{
    /** @param list<string> $command */
    public static function run(array $command, string $input = ''): string
    {
        $process = new Process($command, dirname(__DIR__, 2), input: $input, timeout: 300);
        $process->run();
        Assert::assertSame(0, $process->getExitCode(), implode(' ', $command) . "\n" . $process->getErrorOutput());

        return $process->getOutput();
    }

    /** @param list<string> $options */
    public static function written(string $source, string $format, array $options = []): string
    {
        $file = self::file($format);
        self::run(['pandoc', '-s', ...$options, '-o', $file, $source]);

        return (string) file_get_contents($file);
    }

    /** @return string what a Python script of ours, given a file name, writes to it with a library of others */
    public static function writtenByPython(string $script, string $ending): string
    {
        $file = self::file($ending);
        self::run(['/usr/bin/python3', '-', $file], $script);

        return (string) file_get_contents($file);
    }

    /** @return list<array{int, string}> level and words of each heading, as pandoc reads them */
    public static function pandocHeadings(string $bytes, string $format): array
    {
        $file = self::file($format);
        file_put_contents($file, $bytes);

        return self::headingsIn(self::run(['pandoc', '-f', $format, '-t', 'json', $file]));
    }

    /** @return list<array{int, string}> level and words of each heading in pandoc's own form of a document */
    public static function headingsIn(string $json): array
    {
        $json = json_decode($json, true, 2048, \JSON_THROW_ON_ERROR);
        $headings = [];
        self::collect(is_array($json) ? $json['blocks'] ?? [] : [], $headings);

        return $headings;
    }

    public static function plainText(string $source, string $format): string
    {
        return self::run(['pandoc', '-f', $format, '-t', 'plain', '--wrap=none', $source]);
    }

    /** @return list<array{int, string}> */
    public static function headings(Document $document): array
    {
        $headings = [];
        foreach ($document->headings() as $position => $heading) {
            if (!$document->outline->levelAt($position)->isOpening()) {
                $headings[] = [$document->outline->levelAt($position)->value, $heading];
            }
        }

        return $headings;
    }

    /** @return list<array{int, string}> with the number that we compute before each, letters and digits only */
    public static function numberedHeadings(Document $document): array
    {
        $numbers = $document->numbers();
        $headings = [];
        foreach ($document->headings() as $position => $heading) {
            if (!$document->outline->levelAt($position)->isOpening()) {
                $headings[] = [
                    $document->outline->levelAt($position)->value,
                    self::bare($numbers[$position] . ' ' . $heading),
                ];
            }
        }

        return $headings;
    }

    public static function bare(string $words): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', $words));
    }

    /**
     * @return array<string, string> the heading of the section that each inner link leads to, or “?”,
     *     by the link's words
     */
    public static function links(Document $document): array
    {
        $places = [];
        foreach ($document->sections() as $section) {
            $places +=
                [$section->id->value => $section->heading->plainText()] +
                array_fill_keys(array_keys(References::in($section)->bookmarks), $section->heading->plainText());
        }
        $links = [];
        foreach ($document->sections() as $section) {
            foreach ([...$section->heading->inline, ...$section->body->blocks] as $part) {
                foreach ($part->walk() as $node) {
                    self::collectLink($node, $places, $links);
                }
            }
        }

        return $links;
    }

    public static function words(Document $document): int
    {
        $count = new WordCount();
        $words = 0;
        foreach ($document->sections() as $section) {
            $words += $count->ofBody($section) + $count->ofText($section->heading->plainText());
        }

        return $words;
    }

    /** A file of its own, gone when the tests are over. */
    public static function file(string $ending): string
    {
        $file = sys_get_temp_dir() . '/stemmata-foreign-' . bin2hex(random_bytes(5)) . '.' . $ending;
        register_shutdown_function(static fn(): bool => !is_file($file) || unlink($file));

        return $file;
    }

    /** @param array<string, string> $places
     * @param array<string, string> $links
     */
    private static function collectLink(Node $node, array $places, array &$links): void
    {
        $target = $node->findMark('link')?->attribute('href');
        if (is_string($target) && (null !== LinkTarget::findInnerId($target) || str_starts_with($target, '#'))) {
            $links[$node->plainText()] = $places[LinkTarget::findInnerId($target) ?? ''] ?? '?';
        }
    }

    /** @param list<array{int, string}> $headings */
    private static function collect(mixed $blocks, array &$headings): void
    {
        foreach (is_array($blocks) ? $blocks : [] as $block) {
            if (!is_array($block)) {
                continue;
            }
            if ('Header' === ($block['t'] ?? null) && is_array($block['c'] ?? null) && is_int($block['c'][0] ?? null)) {
                $headings[] = [$block['c'][0], self::inlineText($block['c'][2] ?? [])];
            } elseif ('Div' === ($block['t'] ?? null) && is_array($block['c'] ?? null)) {
                self::collect($block['c'][1] ?? [], $headings);
            }
        }
    }

    private static function inlineText(mixed $inlines): string
    {
        $text = '';
        foreach (is_array($inlines) ? $inlines : [] as $inline) {
            if (!is_array($inline)) {
                continue;
            }
            $content = $inline['c'] ?? null;
            $text .= match ($inline['t'] ?? '') {
                'Str' => is_string($content) ? $content : '',
                'Space', 'SoftBreak', 'LineBreak' => ' ',
                'Code' => is_array($content) && is_string($content[1] ?? null) ? $content[1] : '',
                'Span', 'Link', 'Quoted' => is_array($content) ? self::inlineText($content[1] ?? []) : '',
                default => self::inlineText($content),
            };
        }

        return $text;
    }
}
