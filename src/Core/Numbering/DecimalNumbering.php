<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

use Stemmata\Core\Outline;

/**
 * Numbers for divisions after ISO 2145: Arabic numerals, a full stop between levels, none after the last.
 *
 * Counting starts at 1 in each parent. A section taken out of the numbering is passed over, and what stands under it
 * bears no number either, for it would have nothing to hang on. A skipped level adds no part: a level-3 section right
 * under “1” is “1.1”.
 */
final class DecimalNumbering
{
    /** @return list<string> one number per section, empty for one without */
    public static function of(Outline $outline): array
    {
        $numbers = [];
        $open = [];
        $depth = -1;
        $topCount = 0;
        for ($position = 0, $count = $outline->count(); $position < $count; ++$position) {
            $level = $outline->levels[$position];
            if ('0' === $level) {
                $numbers[] = '';
                continue;
            }
            while ($depth >= 0 && $open[$depth]['level'] >= $level) {
                --$depth;
            }
            $isNumbered = $outline->isNumberedAt($position);
            if ($depth < 0) {
                $number = $isNumbered ? (string) ++$topCount : '';
            } else {
                $number = $isNumbered && '' !== $open[$depth]['number'] ? $open[$depth]['number'].'.'.++$open[$depth]['children'] : '';
            }
            $open[++$depth] = ['level' => $level, 'number' => $number, 'children' => 0];
            $numbers[] = $number;
        }

        return $numbers;
    }
}
