<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Document\Document;

/**
 * Which sections most likely took the engine too long: the longest ones. One part must not keep a document from its pages
 * (decision 20), so that the words of these are printed alone, of more of them each time that it was not enough.
 */
final class HeavySections
{
    /** Bytes of the JSON of a text that may take the engine long in any document. */
    private const HEAVY = 60_000;
    /** A shorter one may, where it is so much of the document: notes in wide tables are set again and again. */
    private const SHARE = 1 / 8;
    /** Bytes; nothing that is shorter takes long, whatever it holds. */
    private const LEAST = 10_000;
    /** More rounds than these help no more: the document is too much as a whole. */
    public const MOST_ROUNDS = 3;

    /**
     * @param int $rounds how often the engine gave up: one section after the first time, three after the second, then seven
     *
     * @return list<string> ids, the longest first
     */
    public static function of(Document $document, int $rounds): array
    {
        if (0 === $rounds) {
            return [];
        }
        $weights = [];
        foreach ($document->sections() as $section) {
            $weights[$section->id->value] = strlen(json_encode($section->body->toJson(), \JSON_THROW_ON_ERROR));
        }
        $heavy = max(self::LEAST, min(self::HEAVY, array_sum($weights) * self::SHARE));
        $weights = array_filter($weights, static fn(int $weight): bool => $weight > $heavy);
        arsort($weights);

        return array_map(strval(...), array_slice(array_keys($weights), 0, 2 ** $rounds - 1));
    }
}
