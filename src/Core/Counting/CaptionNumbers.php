<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Numbering\CaptionNumbering;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Text\Caption;
use Stemmata\Core\Text\CaptionKind;

/** “Figure 3”, “Table 1” and the numbers of footnotes, counted through the whole document in the order of the text. */
final readonly class CaptionNumbers
{
    /**
     * @param array<string, list<string>>     $labels     of the pictures and tables of each section, in order, by the
     *     section's id; empty for one without a number
     * @param array<string, int>              $firstNotes the number of a section's first footnote, by its id
     * @param array<string, array{string, string}> $byBookmark label and caption by the id of a bookmark in the caption
     */
    private function __construct(public array $labels, public array $firstNotes, public array $byBookmark) {}

    /** A branch is counted as a part of its whole. */
    public static function of(Document $document): self
    {
        $document = $document->whole ?? $document;
        $labels = [];
        $firstNotes = [];
        $byBookmark = [];
        $notes = 0;
        $kinds = array_fill_keys(array_column(CaptionKind::cases(), 'value'), 0);
        // By chapter; those without a number share one, so that no two captions bear the same.
        $counts = [];
        $numbering = $document->setup->captions;
        $chapters = CaptionNumbering::ByChapter === $numbering ? self::chapters($document) : [];
        foreach ($document->references() as $position => $references) {
            $chapter = $chapters[$position] ?? '';
            $counts[$chapter] ??= $kinds;
            $section = $document->outline->idAt($position)->value;
            if ($references->notes > 0) {
                $firstNotes[$section] = $notes + 1;
                $notes += $references->notes;
            }
            foreach ($references->captions as $caption) {
                $label =
                    CaptionNumbering::None !== $numbering && $caption->isCounted()
                        ? $caption->kind->word($document->titleBlock->language) .
                            ' ' .
                            $chapter .
                            ++$counts[$chapter][$caption->kind->value]
                        : '';
                $labels[$section][] = $label;
                $byBookmark += array_fill_keys($caption->bookmarks, [$label, $caption->words]);
            }
        }

        return new self($labels, $firstNotes, $byBookmark);
    }

    /**
     * What numbers begin with in the chapter of each section, such as “3.”; empty in one without a number.
     *
     * @return list<string> by position
     */
    private static function chapters(Document $document): array
    {
        $chapters = [];
        $now = '';
        foreach (Numbers::counted($document->outline, $document->setup->numbering) as $position => $number) {
            if ($document->outline->levelAt($position)->value <= 1) {
                $now = null === $number ? '' : $number->withoutWord . '.';
            }
            $chapters[] = $now;
        }

        return $chapters;
    }

    /** @return array{string, string}|null the label and the words of the caption that holds the bookmark */
    public function findCaptionAt(string $bookmark): ?array
    {
        return $this->byBookmark[$bookmark] ?? null;
    }
}
