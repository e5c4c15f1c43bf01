<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

use Stemmata\Core\Outline\Outline;

/**
 * The number that each section bears by the document's scheme.
 *
 * A section taken out of the numbering is passed over; what stands under it bears a number only where its level does
 * not
 * begin with the number of the heading above. A skipped level adds no part: a level-3 section right under “1” is “1.1”.
 */
final class Numbers
{
    /** @return list<string> one number per section, empty for one without */
    public static function of(Outline $outline, Scheme $scheme): array
    {
        $numbers = [];
        foreach (self::counted($outline, $scheme) as $number) {
            $numbers[] = null === $number ? '' : $number->label();
        }

        return $numbers;
    }

    /** @return list<SectionNumber|null> one per section, null for one without a number; one pass */
    public static function counted(Outline $outline, Scheme $scheme): array
    {
        $numbers = [];
        /** @var list<array{string, SectionNumber|null, bool}> $open level, number and row of each heading above */
        $open = [];
        $depth = -1;
        $counts = [];
        $parents = [];
        for ($position = 0, $count = $outline->count(); $position < $count; ++$position) {
            $level = $outline->levels[$position];
            while ($depth >= 0 && $open[$depth][0] >= $level) {
                --$depth;
            }
            if ('0' === $level) {
                $numbers[] = null;
                continue;
            }
            $parent = $depth < 0 ? null : $open[$depth][1];
            // Of 10,000 sections few bear a flag.
            $flags = '0' === $outline->flags[$position] ? 0 : $outline->flagsAt($position);
            $isAppendix = ($depth >= 0 && $open[$depth][2]) || 0 !== ($flags & Outline::APPENDIX);
            $rule = 0 === ($flags & Outline::UNNUMBERED) ? $scheme->findLevel($isAppendix, (int) $level) : null;
            $number = null;
            if (null !== $rule && ($depth < 0 || null !== $parent || !$rule->withParents)) {
                // Siblings count together, whatever their levels, as long as they count under the same rule.
                $key =
                    ($rule->restarts ? $parents[$depth] ?? 'top' : 'all' . $level) .
                    ($isAppendix ? ' a' : ' ') .
                    ($rule->withParents && !$rule->fillsSkipped ? '' : $level);
                $counts[$key] = isset($counts[$key]) ? $counts[$key] + 1 : $rule->start;
                if ([] !== $scheme->starts) {
                    $counts[$key] = $scheme->starts[$outline->idAt($position)->value] ?? $counts[$key];
                }
                $skipped = $rule->fillsSkipped ? (int) $level - 1 - (int) ($depth < 0 ? 0 : $open[$depth][0]) : 0;
                $number = new SectionNumber($rule, (int) $level, $counts[$key], $parent, $key, $skipped);
            }
            $open[++$depth] = [$level, $number, $isAppendix];
            $parents[$depth] = (string) $position;
            $numbers[] = $number;
        }

        return $numbers;
    }
}
