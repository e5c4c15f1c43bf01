<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/** Words against what was wanted. A target holds for a section with all that is under it. */
final class Targets
{
    /** Words; the longest document there is has some millions. */
    public const HIGHEST = 100_000_000;

    /** Targets are aimed at, not met to the word: so much more, in percent, is still on target. */
    private const LEEWAY = 10;

    /**
     * @param list<int>          $branchWords words of each section's branch, in order
     * @param array<string, int> $targets     by id, for the sections that have one
     *
     * @return list<string> ids of the sections that are over their target, in order
     */
    public static function exceeded(Outline $outline, array $branchWords, array $targets): array
    {
        if ([] === $targets) {
            return [];
        }
        $over = [];
        // Plain words: of 10,000 ids no object is made for the few that have a target.
        foreach (str_split($outline->ids, SectionId::LENGTH) as $position => $id) {
            if (isset($targets[$id]) && $branchWords[$position] * 100 > $targets[$id] * (100 + self::LEEWAY)) {
                $over[] = $id;
            }
        }

        return $over;
    }
}
