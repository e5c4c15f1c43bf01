<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;

/**
 * Sections made once more: links among them lead to the copies, bookmarks get names that are free, links elsewhere
 * stay.
 */
final class Copies
{
    /**
     * @param list<Section>   $originals
     * @param list<SectionId> $newIds    one for each
     * @param Document        $into      where the copies are to stand
     *
     * @return list<Section>
     */
    public static function of(array $originals, array $newIds, Document $into, IdSource $ids): array
    {
        $plan = CopyPlan::of(
            array_map(static fn(Section $original): SectionId => $original->id, $originals),
            $newIds,
            array_map(References::in(...), $originals),
            $ids,
            new FreeNames($into),
        );

        return array_map($plan->copy(...), $originals);
    }

    /** @param list<Section> $copies */
    public static function haveBookmarks(array $copies): bool
    {
        foreach ($copies as $copy) {
            if ([] !== References::in($copy)->bookmarks) {
                return true;
            }
        }

        return false;
    }
}
