<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/** The runs of an outline that picked sections stand for: in order, each once, none inside another. */
final readonly class Picked
{
    /** From here on, looking for each in turn takes longer than listing all. */
    private const MANY = 30;

    /** @param list<array{int, int}> $runs from and to (exclusive) */
    private function __construct(public array $runs) {}

    /** @param list<SectionId> $sections */
    public static function in(Outline $outline, array $sections, Extent $extent): self|Refused
    {
        if ([] === $sections) {
            return Refused::nothingPicked();
        }
        $positions = [];
        $all = count($sections) > self::MANY ? $outline->positions() : null;
        foreach ($sections as $section) {
            $position = null === $all ? $outline->findPosition($section) : $all[$section->value] ?? null;
            if (null === $position) {
                return Refused::unknownSection($section->value);
            }
            $positions[$position] = true;
        }
        ksort($positions);

        return new self(self::runsAt($outline, array_keys($positions), $extent));
    }

    public function includesOpening(Outline $outline): bool
    {
        return $outline->hasOpening() && 0 === $this->runs[0][0];
    }

    /** @return list<SectionId> the first section of each run */
    public function heads(Outline $outline): array
    {
        return array_map(static fn(array $run): SectionId => $outline->idAt($run[0]), $this->runs);
    }

    public function covers(int $position): bool
    {
        foreach ($this->runs as [$from, $to]) {
            if ($position >= $from && $position < $to) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<int> $positions ascending
     *
     * @return list<array{int, int}>
     */
    private static function runsAt(Outline $outline, array $positions, Extent $extent): array
    {
        $runs = [];
        $end = 0;
        foreach ($positions as $position) {
            if ($position < $end) {
                continue;
            }
            $end = Extent::Branch === $extent ? $outline->branchEnd($position) : $position + 1;
            $runs[] = [$position, $end];
        }

        return $runs;
    }
}
