<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Outline\SectionId;

/** Gathers what a reader has to say, while it reads. */
final class ReportBook
{
    private const MOST_PLACES = 100;

    /** @var array<string, array{ImportNote, int, list<array{section: string, detail: string}>}> */
    private array $notes = [];

    public function note(ImportNote $note, SectionId $in, string $detail = ''): void
    {
        [, $count, $places] = $this->notes[$note->name] ?? [$note, 0, []];
        if (count($places) < self::MOST_PLACES) {
            $places[] = ['section' => $in->value, 'detail' => mb_strcut(mb_scrub($detail), 0, 120)];
        }
        $this->notes[$note->name] = [$note, $count + 1, $places];
    }

    /** @return list<ReportLine> */
    public function lines(): array
    {
        return array_values(
            array_map(
                static fn(array $entry): ReportLine => new ReportLine(
                    $entry[0]->kind(),
                    $entry[0]->sentence($entry[1]),
                    $entry[1],
                    $entry[2],
                ),
                $this->notes,
            ),
        );
    }
}
