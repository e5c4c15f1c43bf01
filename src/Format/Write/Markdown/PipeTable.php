<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Markdown;

use Stemmata\Core\Text\Node;

/** A table as lines with upright strokes (common practice); it has one row of headers and no caption. */
final class PipeTable
{
    public static function isPossible(Node $table): bool
    {
        if ([] !== $table->content[0]->content || true === $table->attribute('landscape')) {
            return false;
        }
        $rows = array_slice($table->content, 1);
        $width = count($rows[0]->content);
        foreach ($rows as $index => $row) {
            foreach ($row->content as $column => $cell) {
                $fits =
                    $cell->attribute('header') === (0 === $index) &&
                    null === ($cell->attribute('columns') ?? $cell->attribute('rows')) &&
                    $cell->attribute('align') === ($rows[0]->content[$column] ?? $cell)->attribute('align');
                if (!$fits || count($row->content) !== $width || str_contains($cell->plainText(), "\n")) {
                    return false;
                }
            }
        }

        return true;
    }

    public static function of(Node $table, InlineMarkdown $inline): string
    {
        $rows = array_slice($table->content, 1);
        $lines = array_map(
            static fn(Node $row): string => '| ' .
                implode(' | ', array_map(static fn(Node $cell): string => $inline->of($cell->content), $row->content)) .
                ' |',
            $rows,
        );
        $rule =
            '|' .
            implode(
                '|',
                array_map(
                    static fn(Node $cell): string => match ($cell->attribute('align')) {
                        'left' => ' :--- ',
                        'center' => ' :---: ',
                        'right' => ' ---: ',
                        default => ' --- ',
                    },
                    $rows[0]->content,
                ),
            ) .
            '|';
        array_splice($lines, 1, 0, [$rule]);

        return implode("\n", $lines);
    }
}
