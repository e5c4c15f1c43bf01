<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Text\Node;

/** A contents block, read for writing it out. */
final class ContentsBlock
{
    /** @return list<array{section: string, level: int, number: string, heading: string}> */
    public static function lines(Node $contents): array
    {
        $lines = [];
        $stored = $contents->attribute('lines');
        foreach (is_array($stored) ? $stored : [] as $line) {
            if (is_array($line) && is_string($line['section'] ?? null) && is_int($line['level'] ?? null) && is_string($line['number'] ?? null) && is_string($line['heading'] ?? null)) {
                $lines[] = ['section' => $line['section'], 'level' => $line['level'], 'number' => $line['number'], 'heading' => $line['heading']];
            }
        }

        return $lines;
    }

    public static function openingTag(Node $contents): string
    {
        return sprintf(
            '<nav class="contents" data-from="%d" data-to="%d" data-numbers="%s" aria-label="%s">',
            ContentsLines::level($contents, 'from'),
            ContentsLines::level($contents, 'to'),
            true === $contents->attribute('numbers') ? 'yes' : 'no',
            htmlspecialchars($contents->textAttribute('title'), \ENT_QUOTES | \ENT_SUBSTITUTE),
        );
    }
}
