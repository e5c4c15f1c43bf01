<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

/**
 * Ranks looks into levels: what stands out more is higher. Numbers override looks, for they say their level outright.
 */
final readonly class LevelRanking
{
    private const WORDS = [
        'volume' => 0,
        'book' => 1,
        'livre' => 1,
        'buch' => 1,
        'part' => 2,
        'teil' => 2,
        'partie' => 2,
        'parte' => 2,
        'act' => 2,
    ];
    /** Chapters, appendices and whatever else bears a word. */
    private const CHAPTER = 3;
    /** Closer than that, the order in the text decides which look is the higher. */
    private const CLOSE = 4.5;

    /** @param array<string, int> $levels by kind of line */
    private function __construct(private array $levels) {}

    /** @param list<Line> $lines that are likely headings, in the order of the text */
    public static function of(array $lines): self
    {
        $numbered = self::numbered($lines);
        $levels = [];
        $deepest = 0;
        foreach (self::looksByProminence($lines) as $kinds) {
            $given = array_filter(array_map(static fn(string $kind): ?int => $numbered[$kind] ?? null, $kinds));
            foreach ($kinds as $kind) {
                // A line without a number that looks like numbered ones stands with the highest of them.
                $levels[$kind] = $numbered[$kind] ?? ([] === $given ? $deepest + 1 : min($given));
            }
            $deepest = max([$deepest, ...array_map(static fn(string $kind): int => $levels[$kind], $kinds)]);
        }

        return new self(array_map(static fn(int $level): int => max(1, min(9, $level)), $levels));
    }

    public function levelOf(Line $line): int
    {
        return $this->levels[$line->kind()] ?? 1;
    }

    /**
     * @param list<Line> $lines
     *
     * @return array<string, int> level by kind, for kinds that bear numbers
     */
    private static function numbered(array $lines): array
    {
        $ranks = [];
        $counts = [];
        foreach ($lines as $line) {
            if (null === $line->number) {
                continue;
            }
            if ('' !== $line->number->word) {
                $ranks[$line->kind()] = self::WORDS[mb_strtolower($line->number->word)] ?? self::CHAPTER;
            } else {
                $counts[$line->kind()] = count($line->number->parts);
            }
        }
        $order = array_values(array_unique($ranks));
        sort($order);
        $levels = array_map(static fn(int $rank): int => 1 + (int) array_search($rank, $order, true), $ranks);
        // “1.1” under “Chapter 1” is one below it; “1” under it too.
        $chapters = [] === $levels ? 0 : max($levels);
        $least = [] === $counts ? 0 : min($counts);
        foreach ($counts as $kind => $parts) {
            $levels[$kind] = 0 === $chapters ? $parts : $chapters + $parts - ($least > 1 ? 1 : 0);
        }

        return $levels;
    }

    /**
     * @param list<Line> $lines
     *
     * @return list<list<string>> the kinds of each look, the most prominent look first
     */
    private static function looksByProminence(array $lines): array
    {
        $looks = [];
        $prominence = [];
        $first = [];
        foreach ($lines as $at => $line) {
            $looks[$line->look()][$line->kind()] = $line->kind();
            $prominence[$line->look()] = max($prominence[$line->look()] ?? -\INF, $line->prominence());
            $first[$line->look()] ??= $at;
        }
        $leads = self::leads($lines);
        uksort($looks, static function (string $a, string $b) use ($prominence, $first, $leads): int {
            $difference = $prominence[$b] - $prominence[$a];
            if (abs($difference) >= self::CLOSE) {
                return $difference <=> 0.0;
            }

            return ($leads[$b][$a] ?? 0) <=> ($leads[$a][$b] ?? 0) ?:
                ($difference <=> 0.0 ?:
                    $first[$a] <=> $first[$b]);
        });

        return array_map(array_values(...), array_values($looks));
    }

    /**
     * @param list<Line> $lines
     *
     * @return array<string, array<string, int>> how often one look comes right before the other
     */
    private static function leads(array $lines): array
    {
        $leads = [];
        foreach ($lines as $at => $line) {
            $next = $lines[$at + 1] ?? null;
            if (null !== $next) {
                $leads[$line->look()][$next->look()] = ($leads[$line->look()][$next->look()] ?? 0) + 1;
            }
        }

        return $leads;
    }
}
