<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Stemmata\Core\Document\References;
use Stemmata\Core\Text\Caption;
use Stemmata\Core\Text\CaptionKind;

/**
 * What is counted of a section, as it is kept beside its text, so that numbers and findings are computed without reading
 * every text: `[notes, [[kind, words, [bookmark, …], isTold], …], fillers, untold, byHand, [[words, letters], …]]` in JSON, without what is usual at the end.
 */
final class CountedForm
{
    public const NONE = ['notes' => 0, 'captions' => [], 'fillers' => 0, 'untold' => 0, 'byHand' => 0, 'quoted' => []];
    /** Of a caption, as lists show it (bytes). */
    private const LONGEST_CAPTION = 300;

    /** Empty when there is nothing to count. */
    public static function written(References $references): string
    {
        $rest = [$references->fillers, $references->untold, $references->byHand, $references->quoted];
        if (0 === $references->notes && [] === $references->captions && [0, 0, 0, []] === $rest) {
            return '';
        }
        $captions = array_map(
            static fn(Caption $caption): array => [
                $caption->kind->value,
                mb_strcut($caption->words, 0, self::LONGEST_CAPTION),
                $caption->bookmarks,
                ...$caption->isTold ? [] : [false],
            ],
            $references->captions,
        );

        $counted = [$references->notes, $captions, ...[0, 0, 0, []] === $rest ? [] : $rest];

        return json_encode($counted, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }

    /** @return array{notes: int, captions: list<Caption>, fillers: int, untold: int, byHand: int,
     *     quoted: list<array{int, int}>} nothing of what cannot be read */
    public static function read(string $json): array
    {
        [$notes, $rows, $fillers, $untold, $byHand, $quoted] = [
            ...(array) json_decode($json, true),
            null,
            null,
            null,
            null,
            null,
            null,
        ];
        $captions = [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            [$kind, $words, $bookmarks, $isTold] = [
                ...is_array($row) ? array_values($row) : [],
                null,
                null,
                null,
                null,
            ];
            $kind = is_string($kind) ? CaptionKind::tryFrom($kind) : null;
            if (null !== $kind && is_string($words) && is_array($bookmarks)) {
                $captions[] = new Caption(
                    $kind,
                    $words,
                    array_values(array_filter($bookmarks, is_string(...))),
                    false !== $isTold,
                );
            }
        }

        return [
            'notes' => is_int($notes) ? $notes : 0,
            'captions' => $captions,
            'fillers' => is_int($fillers) ? $fillers : 0,
            'untold' => is_int($untold) ? $untold : 0,
            'byHand' => is_int($byHand) ? $byHand : 0,
            'quoted' => self::pairs($quoted),
        ];
    }

    /** @return list<array{int, int}> */
    private static function pairs(mixed $rows): array
    {
        $pairs = [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            [$first, $second] = [...is_array($row) ? array_values($row) : [], null, null];
            if (is_int($first) && is_int($second)) {
                $pairs[] = [$first, $second];
            }
        }

        return $pairs;
    }
}
