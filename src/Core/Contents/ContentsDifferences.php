<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Node;

/**
 * What refreshing would change in contents, each in a sentence; `lines` are the keys of those that it is about.
 *
 * @phpstan-import-type Line from ContentsLines
 *
 * @phpstan-type Difference array{section: string, sentence: string, lines: non-empty-list<string>}
 */
final class ContentsDifferences
{
    /** More lines that only bear another number are told as one. */
    private const MOST_RENUMBERED = 3;

    /**
     * @return list<Difference> in the order of the lines; those that go, last
     */
    public static function of(Document $document, Node $contents): array
    {
        [$kept, $next] = self::keptAndNext($document, $contents);
        $differences = [];
        $renumbered = [];
        $moved = self::moved(
            array_keys(array_intersect_key($kept, $next)),
            array_keys(array_intersect_key($next, $kept)),
        );
        foreach ($next as $key => $line) {
            $before = $kept[$key] ?? null;
            $shown = ContentsLines::keyOf($before ?? $line);
            if (null !== $before && self::isOnlyRenumbered($before, $line) && !isset($moved[$key])) {
                $renumbered[count($differences)] = [$before, $line, $shown];
            }
            $sentence = match (true) {
                null === $before => sprintf('“%s” is new', self::named($line)),
                $before['heading'] !== $line['heading'] && isset($line['words']) => sprintf(
                    '“%s” stays as you worded it; its heading is now “%s”',
                    $line['words'],
                    $line['heading'],
                ),
                self::named($before) !== self::named($line) => sprintf(
                    '“%s” is now “%s”',
                    self::named($before),
                    self::named($line),
                ),
                $before['level'] !== $line['level'] => sprintf(
                    '“%s” goes from level %d to %d',
                    self::named($line),
                    $before['level'],
                    $line['level'],
                ),
                isset($moved[$key]) => sprintf('“%s” stands elsewhere', self::named($line)),
                $before['section'] !== $line['section'] => sprintf(
                    'what “%s” leads to stands in another section',
                    self::named($line),
                ),
                default => null,
            };
            if (null !== $sentence) {
                $differences[] = ['section' => $line['section'], 'sentence' => $sentence, 'lines' => [$shown]];
            }
        }
        foreach (array_diff_key($kept, $next) as $line) {
            $differences[] = [
                'section' => $line['section'],
                'sentence' => sprintf(
                    ContentsLines::isByHand($line) ? '“%s”, which you made by hand, goes' : '“%s” goes',
                    self::named($line),
                ),
                'lines' => [ContentsLines::keyOf($line)],
            ];
        }

        return count($renumbered) > self::MOST_RENUMBERED
            ? self::withRenumberedTogether($differences, $renumbered)
            : $differences;
    }

    /**
     * @param Line $before
     * @param Line $line
     */
    private static function isOnlyRenumbered(array $before, array $line): bool
    {
        return $before['number'] !== $line['number'] && ['number' => ''] + $before == ['number' => ''] + $line;
    }

    /**
     * @param list<Difference> $differences
     * @param non-empty-array<int, array{Line, Line, string}> $renumbered by their place among the differences
     *
     * @return list<Difference>
     */
    private static function withRenumberedTogether(array $differences, array $renumbered): array
    {
        $first = array_key_first($renumbered);
        [$before, $line] = $renumbered[$first];
        $together = [
            'section' => $line['section'],
            'sentence' => sprintf(
                '%d lines bear another number: “%s” is now “%s”, and so on',
                count($renumbered),
                self::named($before),
                self::named($line),
            ),
            'lines' => array_column(array_values($renumbered), 2),
        ];

        return [
            ...array_slice($differences, 0, $first),
            $together,
            ...array_values(array_diff_key(array_slice($differences, $first, null, true), $renumbered)),
        ];
    }

    /**
     * Lines made by hand that refreshing would take out, for what they lead to is gone.
     *
     * @return list<string> what they say
     */
    public static function lostHandWork(Document $document, Node $contents): array
    {
        [$kept, $next] = self::keptAndNext($document, $contents);
        $lost = array_filter(array_diff_key($kept, $next), ContentsLines::isByHand(...));

        return array_values(array_map(self::named(...), $lost));
    }

    /** @return array{array<string, Line>, array<string, Line>} lines by the key that they have, or would have, when refreshed */
    private static function keptAndNext(Document $document, Node $contents): array
    {
        $lines = ContentsLines::kept($contents);
        $next = [];
        foreach (ContentsLines::refreshed($document, $contents) as $line) {
            $next[ContentsLines::keyOf($line)] = $line;
        }
        $kept = [];
        foreach (CaptionLines::keysNow($lines, array_values($next)) as $index => $key) {
            $kept[$key ?? 'gone ' . $index] = $lines[$index];
        }

        return [$kept, $next];
    }

    /** @param Line $line */
    private static function named(array $line): string
    {
        return trim($line['number'] . ' ' . ContentsLines::wordsOf($line));
    }

    /**
     * The fewest lines whose moving makes one order of the other: all that are not in the longest row that both share
     * (longest increasing subsequence, by patience sorting).
     *
     * @param list<int|string> $before
     * @param list<int|string> $after
     *
     * @return array<int|string, true>
     */
    private static function moved(array $before, array $after): array
    {
        $places = array_flip($before);
        $tops = [];
        $under = [];
        foreach ($after as $at => $key) {
            $pile = 0;
            $above = count($tops);
            while ($pile < $above) {
                $middle = intdiv($pile + $above, 2);
                if ($places[$after[$tops[$middle]]] < $places[$key]) {
                    $pile = $middle + 1;
                } else {
                    $above = $middle;
                }
            }
            $under[$at] = $pile > 0 ? $tops[$pile - 1] : null;
            $tops[$pile] = $at;
        }
        $stays = [];
        for ($at = [] === $tops ? null : end($tops); null !== $at; $at = $under[$at]) {
            $stays[$after[$at]] = true;
        }

        return array_fill_keys(array_filter($after, static fn(int|string $key): bool => !isset($stays[$key])), true);
    }
}
