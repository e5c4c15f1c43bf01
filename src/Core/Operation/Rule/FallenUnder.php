<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/** Tells which sections, not moved themselves, came to stand under another heading through a change. */
final class FallenUnder
{
    private const MOST_NAMED = 100;

    /**
     * @param list<SectionId> $touched sections whose level or place was changed
     *
     * @return list<Notice>
     */
    public static function notices(Document $before, Document $after, array $touched): array
    {
        $notices = [];
        foreach ($touched as $id) {
            $fallen = self::fallenUnder($before, $after, $id);
            if ([] !== $fallen) {
                $notices[] = self::notice($after, $id, $fallen);
            }
        }

        return $notices;
    }

    /** @return list<int> positions in $after of the direct children that had another parent before */
    private static function fallenUnder(Document $before, Document $after, SectionId $id): array
    {
        $old = $before->outline->findPosition($id);
        $new = $after->outline->findPosition($id);
        if (null === $new) {
            return [];
        }
        $oldBranch = null === $old ? Outline::empty() : $before->outline->slice($old, $before->outline->branchEnd($old));
        $fallen = [];
        $end = $after->outline->branchEnd($new);
        for ($child = $new + 1; $child < $end; $child = $after->outline->branchEnd($child)) {
            // What the change itself made stands where it was put; only what was there before can fall.
            $id = $after->outline->idAt($child);
            if (!$oldBranch->has($id) && $before->outline->has($id)) {
                $fallen[] = $child;
            }
        }

        return $fallen;
    }

    /** @param non-empty-list<int> $fallen */
    private static function notice(Document $after, SectionId $parent, array $fallen): Notice
    {
        $more = count($fallen) - 1;
        $sentence = sprintf(
            '%s%s now %s under %s.',
            $after->nameAt($fallen[0]),
            0 === $more ? '' : sprintf(' and %s more', number_format($more)),
            0 === $more ? 'stands' : 'stand',
            $after->section($parent)->name(),
        );
        $ids = array_map(static fn (int $position): string => $after->outline->idAt($position)->value, array_slice($fallen, 0, self::MOST_NAMED));

        return new Notice(mb_strtoupper(mb_substr($sentence, 0, 1)).mb_substr($sentence, 1), $ids);
    }
}
