<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

/**
 * Which steps of a long history may be put together: those older than the writer wants each of, one for each day. A
 * milestone
 * is never lost, nor a state that something still leads from, nor anything of the last weeks.
 */
final class Thinning
{
    /** Steps of these last weeks are always kept, one by one. */
    public const LEAST_WEEKS = 4;
    public const MOST_WEEKS = 520;

    private const DAY = 86_400;

    /**
     * @param list<array{id: int, previous: int, madeAt: int, isDone: bool,
     *     isOpen: bool}> $steps in order; open is what can be redone
     * @param list<int>                                                                   $named steps that led to a milestone
     * @param int                                                                         $before seconds since 1970,
     *     UTC
     *
     * @return array{joined: list<non-empty-list<int>>, dropped: list<int>} runs to be put together,
     *     each with two or more, into
     *                                                                      its last; and undone steps to be forgotten
     */
    public static function of(array $steps, array $named, int $before): array
    {
        $dropped = self::dropped($steps, $named, $before);
        $isDropped = array_fill_keys($dropped, true);
        // Where a run ends: at what is named, and at what something else that is kept leads on from.
        $ends = array_fill_keys($named, true);
        foreach ($steps as $step) {
            if (!$step['isDone'] && !isset($isDropped[$step['id']])) {
                $ends[$step['previous']] = true;
            }
        }
        $runs = [];
        $run = [];
        $day = null;
        foreach ($steps as $step) {
            if (!$step['isDone']) {
                continue;
            }
            $on = $step['madeAt'] < $before ? intdiv($step['madeAt'], self::DAY) : null;
            if ($on !== $day || null === $on) {
                $runs[] = $run;
                $run = [];
            }
            $day = $on;
            $run[] = $step['id'];
            if (isset($ends[$step['id']])) {
                $runs[] = $run;
                $run = [];
            }
        }
        $runs[] = $run;

        return [
            'joined' => array_values(array_filter($runs, static fn(array $each): bool => count($each) > 1)),
            'dropped' => $dropped,
        ];
    }

    /**
     * Steps that were undone and overtaken, with nothing named or kept behind them.
     *
     * @param list<array{id: int, previous: int, madeAt: int, isDone: bool, isOpen: bool}> $steps
     * @param list<int>                                                                   $named
     *
     * @return list<int>
     */
    private static function dropped(array $steps, array $named, int $before): array
    {
        $dropped = [];
        $isWanted = array_fill_keys($named, true);
        // What follows a step comes after it, so going back everything that is kept has been seen before what it stands
        // on.
        foreach (array_reverse($steps) as $step) {
            if ($step['isDone'] || $step['isOpen'] || $step['madeAt'] >= $before || isset($isWanted[$step['id']])) {
                $isWanted[$step['previous']] = true;
            } else {
                $dropped[] = $step['id'];
            }
        }

        return $dropped;
    }
}
