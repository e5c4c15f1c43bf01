<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Outline\SectionId;

/** Gathers what a reader has to say, while it reads. */
final class ReportBook
{
    private const MOST_PLACES = 100;
    /** What is shown of the words or the address at such a place, in columns. */
    private const WIDEST = 80;

    /** @var array<string, array{ImportNote, int, list<array{section: string, detail: string}>}> */
    private array $notes = [];

    public function note(ImportNote $note, SectionId $in, string $detail = ''): void
    {
        [, $count, $places] = $this->notes[$note->name] ?? [$note, 0, []];
        if (count($places) < self::MOST_PLACES) {
            $places[] = ['section' => $in->value, 'detail' => self::shortened($detail)];
        }
        $this->notes[$note->name] = [$note, $count + 1, $places];
    }

    private static function shortened(string $detail): string
    {
        return mb_strimwidth(trim(mb_scrub($detail)), 0, self::WIDEST, '…');
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
