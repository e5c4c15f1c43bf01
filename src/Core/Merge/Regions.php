<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;

/**
 * Three lists, two of them made from the first, taken apart into runs that nobody changed, that one side changed, or both.
 *
 * The method is the one of diff3: Khanna, Kunal and Pierce, “A Formal Investigation of Diff3” (FSTTCS 2007). Changes that
 * only meet at an edge are told apart here, for which of them comes first is plain from where they stand.
 */
final class Regions
{
    /** Lists that differ in longer runs are not compared part by part (pairs of parts). */
    private const MOST_PAIRS = 4_000_000;

    /**
     * @template T
     *
     * @param list<T>             $base
     * @param list<T>             $mine
     * @param list<T>             $theirs
     * @param \Closure(T): string $key    the same for parts that are the same
     *
     * @return list<Region<T>>
     */
    public static function of(array $base, array $mine, array $theirs, \Closure $key): array
    {
        $keys = array_map($key, $base);
        $edits = [
            ...self::edits($keys, array_map($key, $mine), true),
            ...self::edits($keys, array_map($key, $theirs), false),
        ];
        usort($edits, static fn(Edit $one, Edit $other): int => [$one->from, $one->to] <=> [$other->from, $other->to]);
        $regions = [];
        $at = 0;
        // How far what follows is moved on, by what was changed before it.
        [$mineBy, $theirsBy] = [0, 0];
        foreach (self::clusters($edits) as $cluster) {
            $from = $cluster[0]->from;
            $to = max(array_map(static fn(Edit $edit): int => $edit->to, $cluster));
            $ofMine = array_filter($cluster, static fn(Edit $edit): bool => $edit->isMine);
            $ofTheirs = array_filter($cluster, static fn(Edit $edit): bool => !$edit->isMine);
            [$mineGrows, $theirsGrows] = [self::growth($ofMine), self::growth($ofTheirs)];
            $regions = [
                ...$regions,
                ...self::untouched(array_slice($base, $at, $from - $at)),
                new Region(
                    array_slice($base, $from, $to - $from),
                    array_slice($mine, $from + $mineBy, $to - $from + $mineGrows),
                    array_slice($theirs, $from + $theirsBy, $to - $from + $theirsGrows),
                    [] !== $ofMine,
                    [] !== $ofTheirs,
                ),
            ];
            $mineBy += $mineGrows;
            $theirsBy += $theirsGrows;
            $at = $to;
        }

        return [...$regions, ...self::untouched(array_slice($base, $at))];
    }

    /**
     * @template T
     *
     * @param list<T> $parts
     *
     * @return list<Region<T>>
     */
    private static function untouched(array $parts): array
    {
        return [] === $parts ? [] : [new Region($parts, $parts, $parts, false, false)];
    }

    /** @param array<Edit> $edits */
    private static function growth(array $edits): int
    {
        return array_sum(array_map(static fn(Edit $edit): int => $edit->growth(), $edits));
    }

    /**
     * @param list<Edit> $edits in order
     *
     * @return list<non-empty-list<Edit>> those that meet, together
     */
    private static function clusters(array $edits): array
    {
        $clusters = [];
        foreach ($edits as $edit) {
            $last = end($clusters);
            $meets =
                false !== $last && [] !== array_filter($last, static fn(Edit $earlier): bool => $edit->meets($earlier));
            if ($meets) {
                array_pop($clusters);
                $clusters[] = [...$last, $edit];
            } else {
                $clusters[] = [$edit];
            }
        }

        return $clusters;
    }

    /**
     * @param list<string> $base
     * @param list<string> $other
     *
     * @return list<Edit>
     */
    private static function edits(array $base, array $other, bool $isMine): array
    {
        $head = 0;
        $most = min(count($base), count($other));
        while ($head < $most && $base[$head] === $other[$head]) {
            ++$head;
        }
        $tail = 0;
        while ($tail < $most - $head && $base[count($base) - 1 - $tail] === $other[count($other) - 1 - $tail]) {
            ++$tail;
        }
        $old = array_slice($base, $head, count($base) - $head - $tail);
        $new = array_slice($other, $head, count($other) - $head - $tail);
        if ([] === $old && [] === $new) {
            return [];
        }
        if ([] === $old || [] === $new || count($old) * count($new) > self::MOST_PAIRS) {
            return [new Edit($head, $head + count($old), $isMine, $new)];
        }
        /** @var list<array{string, int}> $steps as the library documents them: the part, and what became of it */
        $steps = (new Differ(new UnifiedDiffOutputBuilder('')))->diffToArray($old, $new);
        $edits = [];
        [$from, $to, $parts] = [$head, $head, []];
        foreach ([...$steps, ['', Differ::OLD]] as [$part, $kind]) {
            if (Differ::REMOVED === $kind) {
                ++$to;
            } elseif (Differ::ADDED === $kind) {
                $parts[] = $part;
            } elseif (Differ::OLD === $kind) {
                if ($to > $from || [] !== $parts) {
                    $edits[] = new Edit($from, $to, $isMine, $parts);
                }
                ++$to;
                [$from, $parts] = [$to, []];
            }
        }

        return $edits;
    }
}
