<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Check\Finding;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;

/** What pages cannot show as it was meant, in sentences and with the place. */
final class PageFindings
{
    private const SOURCE = 'common practice';

    /**
     * @param array<mixed> $failures what `press.mjs` says of whole sections
     * @param array<mixed> $spots    as `book.typ` gives them, in the order of the text: kind, id, …
     *
     * @return list<Finding> a position behind all sections means the whole document
     */
    public static function of(Document $document, array $failures, array $spots): array
    {
        $positions = $document->outline->positions();
        $findings = [];
        foreach ($failures as $failure) {
            [$kind, $section] = is_array($failure)
                ? [$failure['kind'] ?? null, $failure['section'] ?? null]
                : [null, null];
            [$kind, $sentence] = match (true) {
                'undrawn' === $kind => [
                    'picture-left-blank',
                    'A picture here is left blank: it cannot be drawn, or not in the time that there is for one.',
                ],
                is_string($section) && isset($positions[$section]) => [
                    'plain-words-only',
                    'This section could be printed as plain words only.',
                ],
                'untagged' === $kind => [
                    'untagged-pages',
                    'The PDF has no tags for reading aloud: a table that goes on over several pages could not be tagged.',
                ],
                default => [
                    'unsteady-pages',
                    'The page numbers keep changing: a line that names a page moves it. They may be one off.',
                ],
            };
            $findings[] = new Finding(
                $kind,
                is_string($section) ? $positions[$section] ?? count($positions) : count($positions),
                $sentence,
                self::SOURCE,
            );
        }
        $position = 0;
        foreach ($spots as $spot) {
            [$kind, $id] = [...is_array($spot) ? array_values($spot) : [], null, null];
            $position = 'section' === $kind && is_string($id) ? $positions[$id] ?? $position : $position;
            $sentence = match ($kind) {
                'in-parts' => self::wide($document, is_string($id) ? $id : ''),
                'unread-formula' => 'A formula here cannot be read as one; its source is printed.',
                'small-formula' => 'A formula here is wider than the lines, and printed in very small signs.',
                'upright'
                    => 'A table here is wanted on a landscape page; within a list or a quotation it cannot have one.',
                'flattened'
                    => 'Lists or quotations here are nested more deeply than pages show; the innermost stand no further in.',
                'no-page'
                    => 'A page is referred to here that is not among these pages; the place is named by its words.',
                default => null,
            };
            if (null !== $sentence) {
                $findings[] = new Finding((string) $kind, $position, $sentence, self::SOURCE);
            }
        }

        return array_values(array_unique($findings, \SORT_REGULAR));
    }

    /** @param string $caption the section of a table, a colon and which of its pictures and tables it is */
    private static function wide(Document $document, string $caption): string
    {
        [$section, $index] = [...explode(':', $caption), '0'];
        $label = CaptionNumbers::of($document)->labels[$section][(int) $index] ?? '';

        return sprintf(
            '%s is wider than the page: its columns are printed in parts below each other. A landscape page has more room.',
            '' === $label ? 'A table here' : $label,
        );
    }
}
