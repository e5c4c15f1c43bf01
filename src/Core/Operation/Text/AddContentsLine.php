<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\ContentsBlock;
use Stemmata\Core\Outline\SectionId;

/** Adds a line to contents by hand: one that leads to a bookmark. */
final readonly class AddContentsLine implements Operation
{
    /** @param int $level that it looks like, 1 to 9 */
    public function __construct(
        private ContentsBlock $block,
        private SectionId $bookmark,
        private string $words,
        private int $level,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $contents = $this->block->find($document);
        if ($contents instanceof Refused) {
            return $contents;
        }
        $holder = ContentsLines::holders($document)[$this->bookmark->value] ?? null;
        if (null === $holder) {
            return Refused::unknownBookmark();
        }
        if ('' === trim($this->words)) {
            return Refused::lineWithoutWords();
        }
        if ($this->level < 1 || $this->level > 9) {
            return Refused::lineLevel();
        }
        $others = array_values(
            array_filter(
                ContentsLines::kept($contents),
                fn(array $line): bool => ($line['bookmark'] ?? null) !== $this->bookmark->value,
            ),
        );

        return $this->block->replaced($document, $contents, [
            ...$contents->attributes,
            'lines' => ContentsLines::withAdded($document, $others, [
                'section' => $holder,
                'level' => $this->level,
                'number' => '',
                'heading' => trim($this->words),
                'bookmark' => $this->bookmark->value,
            ]),
        ]);
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->block->section);
    }

    public function describe(Document $before): string
    {
        return 'Added a line to the contents';
    }
}
