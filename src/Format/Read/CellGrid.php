<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Node;

/**
 * The rows of a table in which cells may span others. A cell's words stand where it begins; the places it covers are
 * empty cells, so that every other word stays in its column (HTML standard, 4.9.12, forming a table).
 */
final class CellGrid
{
    /** As the HTML standard has it; and no table is that wide. */
    private const WIDEST = 1000;
    private const DEEPEST_SPAN = 65534;
    /** Cells that spans alone may bring into one table. */
    private const MOST_COVERED = 20_000;

    /** @var list<list<Node>> */
    private array $rows = [];
    /** @var array<int, array{int, Node}> rows still covered, and with what, by column */
    private array $covered = [];
    /** @var array<int, array{int, Node}> */
    private array $coveredNext = [];
    private int $made = 0;

    public function beginRow(): void
    {
        $this->finishRow();
        $this->rows[] = [];
    }

    public function cell(Node $cell, int $columns = 1, int $rows = 1): void
    {
        $this->fillCovered();
        $at = count($this->rows) - 1;
        $blank = $cell->withContent([]);
        $columns = max(1, min(self::WIDEST, $columns));
        for ($column = 0; $column < $columns && (0 === $column || $this->made < self::MOST_COVERED); ++$column) {
            if ($rows > 1) {
                $this->coveredNext[count($this->rows[$at])] = [min(self::DEEPEST_SPAN, $rows) - 1, $blank];
            }
            $this->rows[$at][] = 0 === $column ? $cell : $blank;
            $this->made += 0 === $column ? 0 : 1;
        }
    }

    /** @return list<Node> those that hold a cell */
    public function rows(): array
    {
        $this->finishRow();
        [$this->covered, $this->coveredNext] = [[], []];

        return array_values(
            array_map(
                static fn(array $cells): Node => new Node('tableRow', content: $cells),
                array_filter($this->rows, static fn(array $cells): bool => [] !== $cells),
            ),
        );
    }

    private function fillCovered(): void
    {
        $at = count($this->rows) - 1;
        while (isset($this->covered[count($this->rows[$at])]) && $this->made < self::MOST_COVERED) {
            $column = count($this->rows[$at]);
            [$left, $blank] = $this->covered[$column];
            if ($left > 1) {
                $this->coveredNext[$column] = [$left - 1, $blank];
            }
            $this->rows[$at][] = $blank;
            ++$this->made;
        }
    }

    private function finishRow(): void
    {
        if ([] !== $this->rows) {
            $this->fillCovered();
        }
        $this->covered = $this->coveredNext;
        $this->coveredNext = [];
    }
}
