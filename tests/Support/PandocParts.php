<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

/** The parts of a file that pandoc finds, in its own form of a document (pandoc-types 1.22). */
final class PandocParts
{
    /** @var list<string> TeX of each formula */
    public array $formulas = [];
    /** @var list<string> kind of numbers and start of each ordered list */
    public array $lists = [];
    /** @var list<string> words, rows and columns of each cell that spans others */
    public array $spans = [];
    /** @var list<string> */
    public array $struck = [];
    /** @var list<string> */
    public array $subscripts = [];
    /** @var list<string> with emphasis between asterisks and links in brackets */
    public array $notes = [];

    public static function of(string $bytes, string $format): self
    {
        $file = Foreign::file($format);
        file_put_contents($file, $bytes);
        $parts = new self();
        $parts->within(
            json_decode(Foreign::run(['pandoc', '-f', $format, '-t', 'json', $file]), true, 2048, \JSON_THROW_ON_ERROR),
        );

        return $parts;
    }

    private function within(mixed $json): void
    {
        if (!is_array($json)) {
            return;
        }
        $content = $json['c'] ?? null;
        if (is_array($content)) {
            match ($json['t'] ?? null) {
                'Math' => ($this->formulas[] = (string) preg_replace(
                    '/\A\s+|\\\\?\s+\z/',
                    '',
                    self::text($content[1] ?? ''),
                )),
                'OrderedList' => ($this->lists[] = self::listStyle($content)),
                'Table' => $this->cells($content),
                'Strikeout' => ($this->struck[] = self::words($content)),
                'Subscript' => ($this->subscripts[] = self::words($content)),
                'Note' => ($this->notes[] = trim(self::words($content, true))),
                default => null,
            };
        }
        foreach ($json as $child) {
            $this->within($child);
        }
    }

    /** @param array<mixed> $list */
    private static function listStyle(array $list): string
    {
        $attributes = is_array($list[0] ?? null) ? $list[0] : [];
        $style = is_array($attributes[1] ?? null) ? self::text($attributes[1]['t'] ?? '') : '';

        return ('DefaultStyle' === $style ? 'Decimal' : $style) . ' ' . (is_int($attributes[0]) ? $attributes[0] : 1);
    }

    /** A cell is its attributes, alignment, rows, columns and blocks. */
    private function cells(mixed $json): void
    {
        if (!is_array($json)) {
            return;
        }
        $isCell =
            5 === count($json) &&
            isset($json[2], $json[3]) &&
            is_int($json[2]) &&
            is_int($json[3]) &&
            is_array($json[4] ?? null);
        if ($isCell && $json[2] * $json[3] > 1) {
            $this->spans[] = sprintf('%s %dx%d', self::words($json[4]), $json[2], $json[3]);
        }
        foreach ($json as $child) {
            $this->cells($child);
        }
    }

    private static function words(mixed $parts, bool $withMarks = false): string
    {
        $words = '';
        foreach (is_array($parts) ? $parts : [] as $part) {
            $content = is_array($part) ? $part['c'] ?? null : null;
            $type = is_array($part) ? $part['t'] ?? null : null;
            $inner = static fn(mixed $of): string => self::words($of, $withMarks);
            $words .= match ($type) {
                'Str' => self::text($content),
                'Space', 'SoftBreak', 'LineBreak' => ' ',
                'Emph' => $withMarks ? '*' . $inner($content) . '*' : $inner($content),
                'Link' => $withMarks
                    ? '[' . $inner(is_array($content) ? $content[1] ?? [] : []) . ']'
                    : $inner(is_array($content) ? $content[1] ?? [] : []),
                'Span' => $inner(is_array($content) ? $content[1] ?? [] : []),
                default => $inner($content),
            };
        }

        return $words;
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
