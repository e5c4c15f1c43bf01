<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

/** How a document grew from day to day. What a sitting made counts for the day on which it began. */
final class WritingDays
{
    /**
     * @param list<array{startedAt: int, words: int}> $sittings the first first: when each began (seconds since 1970) and
     *     the words that the document had then
     *
     * @return array<string, int> words more or fewer, by day as “2026-11-29”, the first day first
     */
    public static function of(array $sittings, int $wordsNow, \DateTimeZone $zone): array
    {
        $days = [];
        foreach ($sittings as $index => ['startedAt' => $startedAt, 'words' => $words]) {
            $day = (new \DateTimeImmutable('@' . $startedAt))->setTimezone($zone)->format('Y-m-d');
            $days[$day] = ($days[$day] ?? 0) + ($sittings[$index + 1]['words'] ?? $wordsNow) - $words;
        }

        return $days;
    }
}
