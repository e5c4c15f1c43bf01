<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

/**
 * Which line of a list of illustrations stands for which caption now. Captions have no ids, and one that comes before them
 * shifts the count in their section, so they are told by their words.
 *
 * @phpstan-import-type Line from ContentsLines
 */
final class CaptionLines
{
    /**
     * @param list<Line> $kept  as the contents have them
     * @param list<Line> $fresh as the document has them
     *
     * @return list<string|null> for each kept line the key of the fresh one; null for a caption that is gone
     */
    public static function keysNow(array $kept, array $fresh): array
    {
        $free = [];
        foreach ($fresh as $line) {
            if (isset($line['caption'])) {
                $free[ContentsLines::keyOf($line)] = $line;
            }
        }
        $keys = array_map(
            static fn(array $line): ?string => isset($line['caption']) ? null : ContentsLines::keyOf($line),
            $kept,
        );
        if ([] === $free) {
            return $keys;
        }
        // What is surest first; a caption with other words at the same place was reworded, if no other line is its own.
        foreach (['same', 'in its section', 'anywhere', 'at its place'] as $likeness) {
            $alike = [];
            foreach (array_reverse($free) as $key => $line) {
                $alike[self::sign($line, $likeness)][] = $key;
            }
            foreach ($kept as $index => $line) {
                $sign = isset($line['caption']) && null === $keys[$index] ? self::sign($line, $likeness) : null;
                if (null !== $sign && [] !== ($alike[$sign] ?? [])) {
                    $keys[$index] = array_pop($alike[$sign]);
                    unset($free[$keys[$index]]);
                }
            }
        }

        return $keys;
    }

    /**
     * What two lines share when they are alike.
     *
     * @param Line                                                $line
     * @param 'same'|'in its section'|'anywhere'|'at its place' $likeness
     */
    private static function sign(array $line, string $likeness): string
    {
        return match ($likeness) {
            'same' => ContentsLines::keyOf($line) . ' ' . $line['heading'],
            'in its section' => $line['section'] . ' ' . $line['heading'],
            'anywhere' => $line['heading'],
            'at its place' => ContentsLines::keyOf($line),
        };
    }
}
