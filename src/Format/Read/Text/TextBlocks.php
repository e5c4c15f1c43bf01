<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Text;

/** Cuts a plain text into blocks: at empty lines, or, in a text without them, at each line. */
final readonly class TextBlocks
{
    /** Where fewer than one line in so many is empty, lines are paragraphs. */
    private const LINES_PER_GAP = 25;

    /** @param list<TextBlock> $blocks */
    private function __construct(public array $blocks, public int $runningHeads, public int $pageNumbers) {}

    public static function of(string $text): self
    {
        [$pages, $heads, $numbers] = self::withoutPageFurniture(
            explode("\f", trim(strtr($text, ["\r\n" => "\n", "\r" => "\n"]), "\n")),
        );
        $lines = [];
        foreach ($pages as $page => $ofPage) {
            foreach ($ofPage as $index => $line) {
                $lines[] = [$line, $page > 0 && 0 === $index];
            }
        }
        $filled = count(array_filter($lines, static fn(array $line): bool => '' !== trim($line[0])));
        $empty = count($lines) - $filled;
        $byLine = $filled > 1 && $empty * self::LINES_PER_GAP < $filled && self::areParagraphs(array_column($lines, 0));

        return new self(self::blocks($lines, $byLine), $heads, $numbers);
    }

    /**
     * Hard-wrapped lines are of one length; paragraphs on a line each are not.
     *
     * @param list<string> $lines
     */
    private static function areParagraphs(array $lines): bool
    {
        $lengths = array_map(mb_strlen(...), array_filter($lines, static fn(string $line): bool => '' !== trim($line)));

        return [] !== $lengths && (max($lengths) > 120 || count($lengths) < 8);
    }

    /**
     * @param list<array{string, bool}> $lines
     *
     * @return list<TextBlock>
     */
    private static function blocks(array $lines, bool $byLine): array
    {
        $blocks = [];
        $open = [];
        $gap = 0;
        $onPage = false;
        foreach ([...$lines, ['', false]] as [$line, $beginsPage]) {
            $line = rtrim($line);
            if ('' === $line || ($byLine && [] !== $open) || ([] !== $open && $beginsPage)) {
                if ([] !== $open) {
                    $blocks[] = new TextBlock($open, $gap, $onPage);
                    [$open, $gap, $onPage] = [[], 0, false];
                }
            }
            if ('' === $line) {
                ++$gap;
                $onPage = $onPage || $beginsPage;
                continue;
            }
            $onPage = $onPage || $beginsPage;
            $open[] = $line;
        }
        if ([] !== $open) {
            $blocks[] = new TextBlock($open, $gap, $onPage);
        }

        return $blocks;
    }

    /**
     * Heads, feet and numbers that a printer's file repeats on each page, known by the signs for a new page.
     *
     * @param list<string> $pages
     *
     * @return array{list<list<string>>, int, int}
     */
    private static function withoutPageFurniture(array $pages): array
    {
        $pages = array_map(static fn(string $page): array => explode("\n", $page), $pages);
        if (count($pages) < 4) {
            return [$pages, 0, 0];
        }
        $seen = [];
        foreach ($pages as $page) {
            foreach (self::edges($page) as $index) {
                $shape = self::shape($page[$index]);
                $seen[$shape] = ($seen[$shape] ?? 0) + 1;
            }
        }
        $heads = $numbers = 0;
        foreach ($pages as $number => $page) {
            foreach (self::edges($page) as $index) {
                $isNumber =
                    1 ===
                    preg_match(
                        '/\A[\s\-–—\[(]*(?:page\s+)?(?:\d{1,4}|[ivxlc]{1,7})(?:\s+of\s+\d+)?[\s\-–—\])]*\z/i',
                        $page[$index],
                    );
                if ($isNumber || $seen[self::shape($page[$index])] >= 3) {
                    $isNumber ? ++$numbers : ++$heads;
                    $pages[$number][$index] = '';
                }
            }
        }

        return [array_map(array_values(...), $pages), $heads, $numbers];
    }

    /**
     * @param list<string> $page
     *
     * @return list<int> where the first and the last line with words stand
     */
    private static function edges(array $page): array
    {
        $filled = array_keys(array_filter($page, static fn(string $line): bool => '' !== trim($line)));

        return [] === $filled ? [] : array_values(array_unique([$filled[0], $filled[count($filled) - 1]]));
    }

    private static function shape(string $line): string
    {
        return (string) preg_replace(['/\d+/', '/\s+/'], ['0', ' '], trim($line));
    }
}
