<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\CaptionKind;
use Stemmata\Core\Text\Node;

/**
 * The lines of contents: every heading within the levels asked for that has words and is not left out, or every caption.
 * What the writer did to a line by hand stays with it through every refreshing: it was reworded, left out, or added for a
 * bookmark. A line is known by the id of its section, or of its bookmark; that of a caption by its words (CaptionLines).
 *
 * @phpstan-type Line array{section: string, level: int, number: string, heading: string, words?: string, out?: true,
 *     bookmark?: string, caption?: int}
 */
final class ContentsLines
{
    /** @return list<Line> as the document has them now, without anything done by hand */
    public static function of(Document $document, ContentsSettings $settings): array
    {
        return match ($settings->of) {
            ContentsOf::Headings => self::ofHeadings($document, $settings),
            ContentsOf::Figures => self::ofCaptions($document, $settings, CaptionKind::Figure),
            ContentsOf::Tables => self::ofCaptions($document, $settings, CaptionKind::Table),
        };
    }

    /** @return list<Line> */
    private static function ofHeadings(Document $document, ContentsSettings $settings): array
    {
        $outline = $document->outline;
        $numbers = $document->numbers();
        $lines = [];
        [$first, $end] = self::range($document, $settings);
        foreach ($document->headings() as $position => $heading) {
            $level = $outline->levelAt($position)->value;
            if (
                $position < $first ||
                $position >= $end ||
                $level < $settings->from ||
                $level > $settings->to ||
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

    /** @return list<Line> */
    private static function ofCaptions(Document $document, ContentsSettings $settings, CaptionKind $kind): array
    {
        $labels = CaptionNumbers::of($document)->labels;
        [$first, $end] = self::range($document, $settings);
        $lines = [];
        foreach ($document->references() as $position => $references) {
            $section = $document->outline->idAt($position)->value;
            foreach ($position >= $first && $position < $end ? $references->captions : [] as $index => $caption) {
                if ($caption->kind === $kind && '' !== $caption->words) {
                    $lines[] = [
                        'section' => $section,
                        'level' => 1,
                        'number' => $labels[$section][$index] ?? '',
                        'heading' => $caption->words,
                        'caption' => $index,
                    ];
                }
            }
        }

        return $lines;
    }

    /** @return array{int, int} positions: the first of what contents are made of, and the one behind it */
    private static function range(Document $document, ContentsSettings $settings): array
    {
        $outline = $document->outline;
        if (null === $settings->branch) {
            return [0, $outline->count()];
        }
        $head = $outline->positions()[$settings->branch->value] ?? null;

        // The branch’s own heading stands over its contents already.
        return null === $head ? [0, 0] : [$head + 1, $outline->branchEnd($head)];
    }

    private static function isNamed(string $heading, string $number, Document $document): bool
    {
        return '' !== trim($heading) || ('' !== $number && $document->setup->numbering->namesSections());
    }

    /** @return list<Line> the lines that contents have when they are refreshed: as the document has them, with what was done by hand */
    public static function refreshed(Document $document, Node $contents): array
    {
        $byHand = [];
        $added = [];
        $kept = self::kept($contents);
        $fresh = self::of($document, ContentsSettings::in($contents));
        foreach (CaptionLines::keysNow($kept, $fresh) as $index => $key) {
            if (isset($kept[$index]['bookmark'])) {
                $added[] = $kept[$index];
            } elseif (null !== $key) {
                $byHand[$key] = array_intersect_key($kept[$index], ['words' => true, 'out' => true]);
            }
        }
        $lines = array_map(static fn(array $line): array => $line + ($byHand[self::keyOf($line)] ?? []), $fresh);

        return self::withAllAdded($document, $lines, $added);
    }

    /**
     * @param list<Line> $lines as the document has them now
     * @param list<Line> $added for bookmarks; those whose bookmark is gone go
     *
     * @return list<Line>
     */
    public static function withAllAdded(Document $document, array $lines, array $added): array
    {
        if ([] === $added) {
            return $lines;
        }
        $positions = $document->outline->positions();
        $holders = self::holders($document);
        foreach ($added as $line) {
            $holder = $holders[$line['bookmark'] ?? ''] ?? null;
            if (null !== $holder) {
                $lines[] = ['section' => $holder, 'number' => ''] + $line;
            }
        }
        // Of those in one section the added ones stay behind: sorting is stable.
        usort(
            $lines,
            static fn(array $one, array $other): int => $positions[$one['section']] <=> $positions[$other['section']],
        );

        return $lines;
    }

    /**
     * Of lines that may be behind the document; their order stays.
     *
     * @param list<Line> $lines
     * @param Line       $added for a bookmark; it stands behind the last line before the section that holds it
     *
     * @return list<Line>
     */
    public static function withAdded(Document $document, array $lines, array $added): array
    {
        $positions = $document->outline->positions();
        $holder = self::holders($document)[$added['bookmark'] ?? ''] ?? null;
        if (null === $holder) {
            return $lines;
        }
        $at = count(
            array_filter(
                $lines,
                static fn(array $line): bool => ($positions[$line['section']] ?? 0) <= $positions[$holder],
            ),
        );
        array_splice($lines, $at, 0, [['section' => $holder, 'number' => ''] + $added]);

        return $lines;
    }

    /** @return array<string, string> the section that holds each bookmark, by its id */
    public static function holders(Document $document): array
    {
        $holders = [];
        foreach ($document->references() as $position => $references) {
            $holders += array_fill_keys(array_keys($references->bookmarks), $document->outline->idAt($position)->value);
        }

        return $holders;
    }

    public static function isCurrent(Document $document, Node $contents): bool
    {
        // The caption that a line leads to is looked up anew whenever it is needed (see targets).
        $shown = static fn(array $line): array => array_diff_key($line, ['caption' => true]);

        return array_map($shown, self::kept($contents)) == array_map($shown, self::refreshed($document, $contents));
    }

    /**
     * What the lines lead to as the document is now, however far behind they are.
     *
     * @return list<string|null> for each line the id of a section or bookmark, or of a caption the key; null for a caption
     *     that is gone
     */
    public static function targets(Document $document, Node $contents): array
    {
        $kept = self::kept($contents);
        $hasCaptions = [] !== array_filter($kept, static fn(array $line): bool => isset($line['caption']));

        return CaptionLines::keysNow($kept, $hasCaptions ? self::of($document, ContentsSettings::in($contents)) : []);
    }

    /**
     * What a line is known by.
     *
     * @param Line $line
     */
    public static function keyOf(array $line): string
    {
        return ($line['bookmark'] ?? $line['section']) . (isset($line['caption']) ? ':' . $line['caption'] : '');
    }

    /**
     * What a line says, without its number.
     *
     * @param Line $line
     */
    public static function wordsOf(array $line): string
    {
        return $line['words'] ?? $line['heading'];
    }

    /** @param Line $line */
    public static function isByHand(array $line): bool
    {
        return isset($line['words']) || isset($line['out']) || isset($line['bookmark']);
    }

    /** @return list<Line> as the block holds them */
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
                    ...is_string($line['words'] ?? null) ? ['words' => $line['words']] : [],
                    ...true === ($line['out'] ?? null) ? ['out' => true] : [],
                    ...is_string($line['bookmark'] ?? null) ? ['bookmark' => $line['bookmark']] : [],
                    ...is_int($line['caption'] ?? null) ? ['caption' => $line['caption']] : [],
                ];
            }
        }

        return $lines;
    }
}
