<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

/** On which pages everything stands. */
final readonly class PageMap
{
    /**
     * @param list<string>        $labels    what is printed on each sheet; empty for one without a number
     * @param array<string, Spot> $sections  by id
     * @param array<string, Spot> $bookmarks by id
     * @param array<string, Spot> $blocks    blocks of texts, by the section's id, a colon and the block's index from 0
     * @param array<string, Spot> $captions  of pictures and tables, by the section's id, a colon and which it is there, from 0 on
     * @param array<string, Spot> $lines     of contents, by the section's id, a colon, which of its contents from 0 on, a
     *     colon and the line's key
     * @param array<string, Spot> $contents  where each contents begin, by the section's id, a colon and which of its contents
     */
    private function __construct(
        public array $labels,
        public array $sections,
        public array $bookmarks,
        public array $blocks,
        public array $captions,
        public array $lines,
        public array $contents,
    ) {}

    public function pages(): int
    {
        return count($this->labels);
    }

    /**
     * @param int          $pages sheets in all
     * @param array<mixed> $spots as `book.typ` gives them: kind, id, sheet, label, points
     */
    public static function of(int $pages, array $spots): self
    {
        $byKind = ['section' => [], 'bookmark' => [], 'block' => [], 'caption' => [], 'line' => [], 'contents' => []];
        $labels = array_fill(0, $pages, '');
        foreach ($spots as $spot) {
            [$kind, $id, $sheet, $label, $down] = is_array($spot) ? [...$spot, null, null, null, null, null] : [null];
            if (
                is_string($kind) &&
                isset($byKind[$kind]) &&
                is_string($id) &&
                is_int($sheet) &&
                is_string($label) &&
                (is_float($down) || is_int($down))
            ) {
                $byKind[$kind][$id] ??= new Spot($sheet, $label, (float) $down);
            } elseif ('sheet' === $kind && is_int($sheet) && isset($labels[$sheet - 1]) && is_string($label)) {
                $labels[$sheet - 1] = $label;
            }
        }

        return new self(
            $labels,
            $byKind['section'],
            $byKind['bookmark'],
            $byKind['block'],
            $byKind['caption'],
            $byKind['line'],
            $byKind['contents'],
        );
    }
}
