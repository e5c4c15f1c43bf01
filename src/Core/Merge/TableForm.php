<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use Stemmata\Core\Text\Node;

/** Whether two changes of one table leave each row as many cells as the others. */
final class TableForm
{
    /** True for anything but tables, and where no more than one side changed rows, columns or the cells that span them. */
    public static function fit(Node $base, Node $mine, Node $theirs): bool
    {
        if ('table' !== $base->type) {
            return true;
        }
        $form = self::of($base);

        return self::of($mine) === $form || self::of($theirs) === $form || self::of($mine) === self::of($theirs);
    }

    /** Whether a table put together of the two has the form of the one that changed it. */
    public static function isKept(Node $merged, Node $base, Node $mine, Node $theirs): bool
    {
        return 'table' !== $merged->type ||
            self::of($merged) === self::of(self::of($mine) === self::of($base) ? $theirs : $mine);
    }

    /** @return list<list<array{mixed, mixed}>> of each row the spans of its cells */
    private static function of(Node $table): array
    {
        $rows = array_filter($table->content, static fn(Node $part): bool => 'tableRow' === $part->type);

        return array_map(
            static fn(Node $row): array => array_map(
                static fn(Node $cell): array => [$cell->attribute('columns'), $cell->attribute('rows')],
                $row->content,
            ),
            array_values($rows),
        );
    }
}
