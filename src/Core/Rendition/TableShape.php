<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

use Stemmata\Core\Text\Node;

/** A table as a grid of places: which cell covers each, where cells span others. */
final readonly class TableShape
{
    /**
     * @param list<list<array{cell: Node, column: int, columns: int, begins: bool}>> $rows for each row from left to right
     *     the cells in it; one that began in a row above is there again, and does not begin
     */
    private function __construct(public array $rows, public int $columns) {}

    /** @param list<Node> $rows */
    public static function of(array $rows): self
    {
        $shape = [];
        $width = 1;
        /** @var array<int, array{cell: Node, columns: int, left: int}> $open cells that go on below, by column */
        $open = [];
        foreach ($rows as $row) {
            $cells = $row->content;
            $line = [];
            $column = 0;
            while (
                [] !== $cells ||
                [] !== array_filter(array_keys($open), static fn(int $at): bool => $at >= $column)
            ) {
                if (isset($open[$column])) {
                    ['cell' => $cell, 'columns' => $columns] = $open[$column];
                    $line[] = ['cell' => $cell, 'column' => $column, 'columns' => $columns, 'begins' => false];
                    if (0 === --$open[$column]['left']) {
                        unset($open[$column]);
                    }
                } elseif (null !== ($cell = array_shift($cells))) {
                    $columns = self::span($cell, 'columns');
                    $line[] = ['cell' => $cell, 'column' => $column, 'columns' => $columns, 'begins' => true];
                    $begun[$column] = ['cell' => $cell, 'columns' => $columns, 'left' => self::span($cell, 'rows') - 1];
                } else {
                    ++$column;
                    continue;
                }
                $column += $columns;
            }
            foreach ($begun ?? [] as $at => $cell) {
                if ($cell['left'] > 0) {
                    $open[$at] = $cell;
                }
            }
            $begun = [];
            $width = max($width, $column);
            $shape[] = $line;
        }

        return new self($shape, $width);
    }

    private static function span(Node $cell, string $attribute): int
    {
        $span = $cell->attribute($attribute);

        return is_int($span) ? $span : 1;
    }
}
