<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/** Goes through an outline once and tells, for each section, its parent. Nothing of it is stored. */
final readonly class OutlineWalk
{
    public function __construct(private Outline $outline) {}

    /** @return list<int|null> the parent's position for each section, null at the top; one pass, one small stack */
    public function parents(): array
    {
        $parents = [];
        $open = [];
        $depth = 0;
        for ($position = 0, $count = $this->outline->count(); $position < $count; ++$position) {
            $level = $this->outline->levels[$position];
            while ($depth > 0 && $this->outline->levels[$open[$depth - 1]] >= $level) {
                --$depth;
            }
            $parents[] = $depth > 0 ? $open[$depth - 1] : null;
            if ('0' !== $level) {
                $open[$depth++] = $position;
            }
        }

        return $parents;
    }

    /**
     * Sums a figure of each section over its branch.
     *
     * @param list<int> $own one figure per section
     *
     * @return list<int> the figure with those of all deeper sections that follow
     */
    public function rolledUp(array $own): array
    {
        $total = $own;
        $parents = $this->parents();
        for ($position = count($own) - 1; $position > 0; --$position) {
            $parent = $parents[$position];
            if (null !== $parent) {
                $total[$parent] += $total[$position];
            }
        }

        return array_values($total);
    }
}
