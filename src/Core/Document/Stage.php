<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

/** How far the writing of a section has come. */
enum Stage: string
{
    case None = '';
    case Idea = 'idea';
    case Drafted = 'drafted';
    case Revised = 'revised';
    case Settled = 'settled';

    /**
     * How many words stand at each stage; a section without words counts as one, so that an idea is seen.
     *
     * @param list<int>             $words  of each section's own text, in order
     * @param array<string, string> $stages by the section's id, for those that have one
     * @param list<string>          $ids    of the sections, in order
     *
     * @return array<string, int> by stage, those without one under the empty name
     */
    public static function shares(array $ids, array $words, array $stages): array
    {
        $shares = array_fill_keys(array_column(self::cases(), 'value'), 0);
        foreach ($ids as $position => $id) {
            $shares[self::tryFrom($stages[$id] ?? '')->value ?? ''] += max(1, $words[$position] ?? 0);
        }

        return $shares;
    }
}
