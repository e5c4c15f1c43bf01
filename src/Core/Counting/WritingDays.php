<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

/** How a document grew from day to day. What a sitting made counts for the day on which it began. */
final class WritingDays
{
    /**
     * @param list<WordsHad> $sittings the first first: when each began (seconds since 1970), and what the document had then
     *
     * @return array<string, int> words more or fewer, by day as “2026-11-29”, the first day first
     */
    public static function of(array $sittings, WordsHad $now, \DateTimeZone $zone): array
    {
        $days = [];
        foreach ($sittings as $index => $had) {
            $day = (new \DateTimeImmutable('@' . $had->at))->setTimezone($zone)->format('Y-m-d');
            $days[$day] = ($days[$day] ?? 0) + ($sittings[$index + 1] ?? $now)->more($had);
        }

        return $days;
    }
}
