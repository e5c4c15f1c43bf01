<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Node;

/**
 * The rows of a table in which cells may span others (HTML standard, 4.9.12, forming a table). A span ends with the
 * table, and counts no row that has nothing but covered places in it.
 */
final class CellGrid
{
    /** As the HTML standard has it; and no table is that wide. */
    private const WIDEST = 1000;

    /** @var list<list<array{Node, int, int}>> cells with the columns and rows they span */
    private array $rows = [];

    public function beginRow(): void
    {
        $this->rows[] = [];
    }

    public function cell(Node $cell, int $columns = 1, int $rows = 1): void
    {
        $this->rows[count($this->rows) - 1][] = [$cell, max(1, min(self::WIDEST, $columns)), max(1, $rows)];
    }

    /** @return list<Node> those that hold a cell */
    public function rows(): array
    {
        // How many rows with cells there are from each on.
        $left = [];
        $held = 0;
        for ($row = count($this->rows) - 1; $row >= 0; --$row) {
            $held += [] === $this->rows[$row] ? 0 : 1;
            $left[$row] = $held;
        }
        $made = [];
        foreach ($this->rows as $row => $cells) {
            if ([] !== $cells) {
                $made[] = new Node(
                    'tableRow',
                    content: array_map(
                        static fn(array $cell): Node => self::spanning(
                            $cell[0],
                            $cell[1],
                            min(self::WIDEST, $left[$row] - ($left[$row + $cell[2]] ?? 0)),
                        ),
                        $cells,
                    ),
                );
            }
        }

        return $made;
    }

    private static function spanning(Node $cell, int $columns, int $rows): Node
    {
        return $cell->withAttributes([
            ...$cell->attributes,
            ...$columns > 1 ? ['columns' => $columns] : [],
            ...$rows > 1 ? ['rows' => $rows] : [],
        ]);
    }
}
