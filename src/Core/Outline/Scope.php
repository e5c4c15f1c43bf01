<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/** A part of a document that is worked on, written or printed for itself: some branches, or the texts of some sections alone. */
final readonly class Scope
{
    /** @param list<array{int, int}> $runs from the first position to the one after the last, in order, none in another */
    private function __construct(public array $runs) {}

    /**
     * Sections that are not there are left out.
     *
     * @param list<SectionId> $heads in any order
     * @param bool            $withBranches whether what stands under them belongs to it
     */
    public static function of(Outline $outline, array $heads, bool $withBranches): self
    {
        $runs = [];
        foreach ($heads as $head) {
            $position = $outline->findPosition($head);
            if (null !== $position) {
                $runs[] = [$position, $withBranches ? $outline->branchEnd($position) : $position + 1];
            }
        }
        sort($runs);
        $joined = [];
        foreach ($runs as [$from, $to]) {
            $last = count($joined) - 1;
            if ($last >= 0 && $from <= $joined[$last][1]) {
                $joined[$last][1] = max($joined[$last][1], $to);
            } else {
                $joined[] = [$from, $to];
            }
        }

        return new self($joined);
    }

    public function isEmpty(): bool
    {
        return [] === $this->runs;
    }

    /** The outline of the part, in which levels are what they were. */
    public function in(Outline $outline): Outline
    {
        $part = Outline::empty();
        foreach ($this->runs as [$from, $to]) {
            $part = $part->followedBy($outline->slice($from, $to));
        }

        return $part;
    }

    /** The outline of the part as a document of its own, in which each branch begins at the first level. */
    public function byItself(Outline $outline): Outline
    {
        $part = Outline::empty();
        foreach ($this->runs as [$from, $to]) {
            for ($at = $from; $at < $to; $at = $end) {
                $end = min($to, $outline->branchEnd($at));
                $branch = $outline->slice($at, $end);
                $part = $part->followedBy($branch->findShifted(1 - max(1, $branch->levelAt(0)->value)) ?? $branch);
            }
        }

        return $part;
    }

    /**
     * @template T
     *
     * @param list<T> $ofSections one for each section of the whole outline
     *
     * @return list<T> those of the part
     */
    public function among(array $ofSections): array
    {
        return array_merge(
            ...array_map(
                static fn(array $run): array => array_slice($ofSections, $run[0], $run[1] - $run[0]),
                $this->runs,
            ),
        );
    }
}
