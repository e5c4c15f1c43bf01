<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Symfony\Component\Process\Process;

/** A PDF as programs of others read it: poppler’s and qpdf. */
final readonly class PrintedPages
{
    private function __construct(private string $path) {}

    public static function of(string $pdf): self
    {
        $path = sys_get_temp_dir() . '/stemmata-pdf-' . bin2hex(random_bytes(6)) . '.pdf';
        file_put_contents($path, $pdf);

        return new self($path);
    }

    public function __destruct()
    {
        unlink($this->path);
    }

    /** @return list<string> what stands on each sheet, line by line */
    public function texts(string ...$options): array
    {
        $texts = explode("\f", self::run('pdftotext', ...[...$options, '-enc', 'UTF-8', $this->path, '-']));
        array_pop($texts);

        return $texts;
    }

    /**
     * The box of each word, as poppler finds it, from the top left corner of its sheet.
     *
     * @return list<array{width: float, height: float, words: list<array{string, float, float, float, float}>}> sizes in
     *     points; of words what they are, left, top, right, bottom
     */
    public function boxes(): array
    {
        preg_match_all(
            '~<page width="([\d.]+)" height="([\d.]+)">(.*?)</page>~s',
            self::run('pdftotext', '-bbox', '-enc', 'UTF-8', $this->path, '-'),
            $pages,
            \PREG_SET_ORDER,
        );

        return array_map(static function (array $page): array {
            $word = '~<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">(.*?)</word>~s';
            preg_match_all($word, $page[3], $words, \PREG_SET_ORDER);

            return [
                'width' => (float) $page[1],
                'height' => (float) $page[2],
                'words' => array_map(
                    static fn(array $word): array => [
                        html_entity_decode($word[5]),
                        (float) $word[1],
                        (float) $word[2],
                        (float) $word[3],
                        (float) $word[4],
                    ],
                    $words,
                ),
            ];
        }, $pages);
    }

    /** What a voice would read, with the tags that say what each part is, as poppler reads them. */
    public function taggedText(): string
    {
        return self::run('pdfinfo', '-struct-text', $this->path);
    }

    /**
     * The outline of the file, as qpdf reads it.
     *
     * @return list<array{int, string, int}> level from 1 on, words, sheet from 1 on
     */
    public function outline(): array
    {
        $json = json_decode(self::run('qpdf', '--json', '--json-key=outlines', $this->path), true);
        $lines = [];
        self::collect(is_array($json) ? $json['outlines'] ?? [] : [], 1, $lines);

        return $lines;
    }

    /**
     * Where the links of each sheet lead, from the top down: the sheet of the place, from 1 on.
     *
     * @return list<list<int>> by sheet; links to addresses are not told
     */
    public function links(): array
    {
        $json = json_decode(self::run('qpdf', '--json=2', $this->path), true);
        $objects = self::at($json, 'qpdf', 1);
        $value = static fn(mixed $of): mixed => is_string($of)
            ? self::at($objects, 'obj:' . $of, 'value') ?? (self::at($objects, 'obj:' . $of, 'stream', 'dict') ?? $of)
            : $of;
        $sheets = [];
        $pages = self::at($json, 'pages');
        foreach (is_array($pages) ? array_values($pages) : [] as $index => $page) {
            $object = self::at($page, 'object');
            $sheets[is_string($object) ? $object : ''] = $index + 1;
        }
        $links = [];
        foreach (array_keys($sheets) as $page) {
            $found = [];
            $annotations = $value(self::at($value($page), '/Annots') ?? []);
            foreach (is_array($annotations) ? $annotations : [] as $annotation) {
                $annotation = $value($annotation);
                $target = $value(self::at($annotation, '/Dest') ?? self::at($value(self::at($annotation, '/A')), '/D'));
                $sheet = self::at($target, 0);
                $top = self::at($annotation, '/Rect', 3);
                if (is_string($sheet) && isset($sheets[$sheet]) && is_numeric($top)) {
                    $found[] = [-(float) $top, $sheets[$sheet]];
                }
            }
            usort($found, static fn(array $one, array $other): int => $one[0] <=> $other[0]);
            $links[] = array_column($found, 1);
        }

        return $links;
    }

    private static function at(mixed $of, string|int ...$keys): mixed
    {
        foreach ($keys as $key) {
            $of = is_array($of) ? $of[$key] ?? null : null;
        }

        return $of;
    }

    /** @param list<array{int, string, int}> $lines */
    private static function collect(mixed $outlines, int $level, array &$lines): void
    {
        foreach (is_array($outlines) ? $outlines : [] as $outline) {
            if (is_array($outline)) {
                $title = $outline['title'] ?? '';
                $sheet = $outline['destpageposfrom1'] ?? 0;
                $lines[] = [$level, is_string($title) ? $title : '', is_int($sheet) ? $sheet : 0];
                self::collect($outline['kids'] ?? [], $level + 1, $lines);
            }
        }
    }

    /** @return list<array{string, bool}> the name of each face, and whether it is in the file */
    public function faces(): array
    {
        $lines = array_slice(explode("\n", trim(self::run('pdffonts', $this->path))), 2);

        return array_map(
            static fn(string $line): array => [
                explode(' ', $line)[0],
                1 === preg_match('/ (yes|no) (yes|no) (yes|no) +\d+ +\d+\s*\z/', $line, $match) && 'yes' === $match[1],
            ],
            $lines,
        );
    }

    /** @return list<int> the levels of the headings in its structure, in order */
    public function headingLevels(): array
    {
        preg_match_all('/^\s*H(\d)\b/m', self::run('pdfinfo', '-struct', $this->path), $found);

        return array_map(intval(...), $found[1]);
    }

    /** Without what a typesetter puts between letters: blanks, and hyphens at the ends of lines. */
    public static function bare(string $text): string
    {
        $whole = \Normalizer::normalize($text, \Normalizer::FORM_KC);

        return (string) preg_replace('/[\s\p{Z}\p{Cf}\p{Pd}]+/u', '', is_string($whole) ? $whole : $text);
    }

    private static function run(string ...$command): string
    {
        $process = new Process(array_values($command), timeout: 120);
        $process->run();
        // qpdf has 3 for a file that it could read with warnings.
        assert(in_array($process->getExitCode(), [0, 3], true), $process->getErrorOutput());

        return $process->getOutput();
    }
}
