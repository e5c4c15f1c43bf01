<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

use Stemmata\Core\Outline;

/** Words against what was wanted. A target holds for a section with all that is under it. */
final class Targets
{
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
        $over = [];
        foreach ($outline->ids() as $position => $id) {
            $target = $targets[$id->value] ?? null;
            if (null !== $target && $branchWords[$position] * 100 > $target * (100 + self::LEEWAY)) {
                $over[] = $id->value;
            }
        }

        return $over;
    }
}
