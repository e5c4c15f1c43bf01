<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\ReadResult;

/** What a file was read as, line by line, so that a change to any part of it shows as a line that differs. */
final class Reading
{
    public static function of(ReadResult $read): string
    {
        $document = $read->document;
        $numbers = $document->numbers();
        $lines = ['title block ' . self::json(array_filter(get_object_vars($document->titleBlock)))];
        foreach ($document->sections() as $position => $section) {
            $lines[] = rtrim(
                sprintf(
                    'level %d flags %s number %s heading %s',
                    $document->outline->levelAt($position)->value,
                    $document->outline->flagsAt($position),
                    $numbers[$position] ?? '-',
                    self::json($section->heading->toJson()),
                ),
            );
            array_push(
                $lines,
                ...array_map(
                    static fn(Node $block): string => '  ' . self::json($block->toJson()),
                    $section->body->blocks,
                ),
            );
        }
        foreach ($read->report->lines as $line) {
            $lines[] = $line->kind->name . ': ' . $line->sentence;
        }

        return implode("\n", $lines) . "\n";
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}
