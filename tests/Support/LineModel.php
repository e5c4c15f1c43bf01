<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Core\Document\Document;

/**
 * The outline operations once more, done the slow and obvious way on a list of lines with levels, to check the core
 * against. It shares no code with the core: every question is answered by walking the lines. A line is an id and a
 * level, 0
 * for the opening.
 *
 * @phpstan-type Line array{string, int}
 */
final class LineModel
{
    /** @param list<Line> $lines */
    private function __construct(public array $lines) {}

    public static function of(Document $document): self
    {
        $lines = [];
        foreach ($document->sections() as $position => $section) {
            $lines[] = [$section->id->value, $document->outline->levelAt($position)->value];
        }

        return new self($lines);
    }

    /**
     * @param list<string> $ids
     *
     * @return self|null null when it must be refused
     */
    public function shifted(array $ids, bool $branch, ?int $by, ?int $level = null): ?self
    {
        $heads = $this->heads($ids, $branch);
        if (null === $heads || $this->isOpening($heads)) {
            return null;
        }
        $shift = [];
        foreach ($heads as $head) {
            foreach ($this->group($head, $branch) as $at) {
                $shift[$at] = $by ?? $level - $this->lines[$head][1];
            }
        }
        $lines = [];
        foreach ($this->lines as $at => [$id, $old]) {
            $new = $old + ($shift[$at] ?? 0);
            if (isset($shift[$at]) && ($new < 1 || $new > 9)) {
                return null;
            }
            $lines[] = [$id, $new];
        }

        return new self($lines);
    }

    /** @param list<string> $ids */
    public function moved(array $ids, bool $branch, string $landing, string $target): ?self
    {
        $heads = $this->heads($ids, $branch);
        if (null === $heads || $this->isOpening($heads)) {
            return null;
        }
        $groups = array_map(fn(int $head): array => $this->group($head, $branch), $heads);
        $taken = array_merge(...$groups);
        $rest = new self([]);
        foreach ($this->lines as $at => $line) {
            if (!in_array($at, $taken, true)) {
                $rest->lines[] = $line;
            }
        }
        $at = $rest->find($target);
        if (null === $at) {
            return null;
        }
        $level = $rest->lines[$at][1];
        if (0 === $level) {
            if ('before' === $landing) {
                return null;
            }
            [$gap, $level] = [$at + 1, 1];
        } elseif ('before' === $landing) {
            $gap = $at;
        } else {
            $branchOfTarget = $rest->group($at, true);
            $gap = end($branchOfTarget) + 1;
            $level += 'inside' === $landing ? 1 : 0;
        }
        $landed = [];
        foreach ($groups as $group) {
            $delta = $level - $this->lines[$group[0]][1];
            foreach ($group as $each) {
                $landed[] = [$this->lines[$each][0], $this->lines[$each][1] + $delta];
            }
        }
        foreach ($landed as [, $each]) {
            if ($each > 9) {
                return null;
            }
        }

        return new self([...array_slice($rest->lines, 0, $gap), ...$landed, ...array_slice($rest->lines, $gap)]);
    }

    /** @param list<string> $ids */
    public function movedAmongSiblings(array $ids, bool $up): ?self
    {
        $heads = $this->heads($ids, true);
        if (null === $heads || $this->isOpening($heads)) {
            return null;
        }
        $names = array_map(fn(int $head): string => $this->lines[$head][0], $heads);
        $model = $this;
        foreach ($up ? $names : array_reverse($names) as $name) {
            $at = $model?->find($name);
            if (null === $model || null === $at) {
                return null;
            }
            $siblings = array_values(
                array_filter(
                    array_keys($model->lines),
                    static fn(int $other): bool => $model->lines[$other][1] > 0 &&
                        $model->parent($other) === $model->parent($at),
                ),
            );
            $sibling = $siblings[array_search($at, $siblings, true) + ($up ? -1 : 1)] ?? null;
            $model =
                null === $sibling
                    ? null
                    : $model->moved([$name], true, $up ? 'before' : 'after', $model->lines[$sibling][0]);
        }

        return $model;
    }

    /** @param list<string> $ids */
    public function without(array $ids, bool $branch): ?self
    {
        $heads = $this->heads($ids, $branch);
        if (null === $heads) {
            return null;
        }
        $lines = $this->lines;
        foreach ($heads as $head) {
            foreach ($this->group($head, $branch) as $at) {
                unset($lines[$at]);
            }
        }

        return new self(array_values($lines));
    }

    private function find(string $id): ?int
    {
        foreach ($this->lines as $at => [$each]) {
            if ($each === $id) {
                return $at;
            }
        }

        return null;
    }

    private function parent(int $at): ?int
    {
        for ($above = $at - 1; $above >= 0; --$above) {
            if ($this->lines[$above][1] > 0 && $this->lines[$above][1] < $this->lines[$at][1]) {
                return $above;
            }
        }

        return null;
    }

    /** @return non-empty-list<int> the line and, for a branch, every line that has it among its parents */
    private function group(int $head, bool $branch): array
    {
        $group = [$head];
        foreach ($branch ? array_keys($this->lines) : [] as $at) {
            for ($above = $this->parent($at); null !== $above; $above = $this->parent($above)) {
                if ($above === $head) {
                    $group[] = $at;
                }
            }
        }

        return $group;
    }

    /**
     * @param list<string> $ids
     *
     * @return non-empty-list<int>|null the picked lines that are in no other picked branch; null when one is unknown
     */
    private function heads(array $ids, bool $branch): ?array
    {
        $picked = array_map($this->find(...), array_values(array_unique($ids)));
        $heads = [];
        foreach (array_keys($this->lines) as $at) {
            $isInside = false;
            foreach ($branch ? $picked : [] as $other) {
                $isInside =
                    $isInside || (null !== $other && $other !== $at && in_array($at, $this->group($other, true), true));
            }
            if (in_array($at, $picked, true) && !$isInside) {
                $heads[] = $at;
            }
        }

        return [] === $heads || in_array(null, $picked, true) ? null : $heads;
    }

    /** @param list<int> $heads */
    private function isOpening(array $heads): bool
    {
        return in_array(0, array_map(fn(int $head): int => $this->lines[$head][1], $heads), true);
    }
}
