<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

/** Groups the steps of a history by the sittings they were made in. */
final class Sittings
{
    /** A writer who has done nothing for so long has been away (seconds). */
    public const PAUSE = 1800;

    /**
     * @template T of array{startedAt: int, madeAt: int}
     *
     * @param list<T> $steps the last first; times are seconds since 1970
     *
     * @return list<non-empty-list<T>> the last sitting first
     */
    public static function of(array $steps): array
    {
        $sittings = [];
        $begun = null;
        foreach ($steps as $step) {
            if (null === $begun || $begun - $step['madeAt'] > self::PAUSE) {
                $sittings[] = [$step];
            } else {
                $sittings[count($sittings) - 1][] = $step;
            }
            $begun = $step['startedAt'];
        }

        return $sittings;
    }

    /**
     * As many whole sittings as fit; the one that does not is left for the next page, unless it is too long for any.
     *
     * @template T of array{startedAt: int, madeAt: int}
     *
     * @param list<T> $steps the last first; one more than fit, where there are earlier ones
     *
     * @return array{list<non-empty-list<T>>, bool} the sittings, and whether there are earlier steps
     */
    public static function page(array $steps, int $most): array
    {
        $sittings = self::of($steps);
        if (count($steps) <= $most) {
            return [$sittings, false];
        }
        array_pop($sittings);

        return [[] === $sittings ? self::of(array_slice($steps, 0, $most)) : $sittings, true];
    }
}
