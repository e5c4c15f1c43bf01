<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Node;

/** Collects the lines of the contents: every heading within the levels asked for that has words and is not left out. */
final class ContentsLines
{
    /** @return list<array{section: string, level: int, number: string, heading: string}> */
    public static function of(Document $document, int $from, int $to): array
    {
        $outline = $document->outline;
        $numbers = $document->numbers();
        $lines = [];
        foreach ($document->headings() as $position => $heading) {
            $level = $outline->levelAt($position)->value;
            if (
                $level < $from ||
                $level > $to ||
                !self::isNamed($heading, $numbers[$position], $document) ||
                !$outline->isInContentsAt($position)
            ) {
                continue;
            }
            $lines[] = [
                'section' => $outline->idAt($position)->value,
                'level' => $level,
                'number' => $numbers[$position],
                'heading' => $heading,
            ];
        }

        return $lines;
    }

    private static function isNamed(string $heading, string $number, Document $document): bool
    {
        return '' !== trim($heading) || ('' !== $number && $document->setup->numbering->namesSections());
    }

    public static function isCurrent(Document $document, Node $contents): bool
    {
        return $contents->attribute('lines') ===
            self::of($document, self::level($contents, 'from'), self::level($contents, 'to'));
    }

    public static function level(Node $contents, string $end): int
    {
        $level = $contents->attribute($end);

        return is_int($level) ? $level : 1;
    }

    /** @return list<array{section: string, level: int, number: string, heading: string}> as the block holds them */
    public static function kept(Node $contents): array
    {
        $lines = [];
        $stored = $contents->attribute('lines');
        foreach (is_array($stored) ? $stored : [] as $line) {
            if (
                is_array($line) &&
                is_string($line['section'] ?? null) &&
                is_int($line['level'] ?? null) &&
                is_string($line['number'] ?? null) &&
                is_string($line['heading'] ?? null)
            ) {
                $lines[] = [
                    'section' => $line['section'],
                    'level' => $line['level'],
                    'number' => $line['number'],
                    'heading' => $line['heading'],
                ];
            }
        }

        return $lines;
    }
}
