<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\SectionId;

/**
 * Tells which sections came to stand under another heading through a change that was not about them: the one rule, from
 * before and after, for every operation.
 */
final class FallenUnder
{
    /** Sections that a notice names one by one, for the screen to show. */
    private const MOST_NAMED = 100;
    /** From here on, looking for each in turn takes longer than listing all. */
    private const MANY = 30;

    /**
     * @param list<SectionId> $meant sections that the writer moved or gave a level; where those stand is no news
     *
     * @return list<Notice> one for each heading that others came to stand under, in the order of the outline
     */
    public static function notices(Document $before, Document $after, array $meant = []): array
    {
        $near = self::nearAChange($before->outline, $after->outline);
        $was = self::positions($before->outline, $near);
        $is = self::positions(
            $after->outline,
            array_diff_key(
                $near,
                array_fill_keys(array_map(static fn(SectionId $id): string => $id->value, $meant), true),
            ),
        );
        asort($is);
        $fallen = [];
        foreach ($is as $id => $position) {
            // What the change itself made stands where it was put; only what was there before can fall.
            if (isset($was[$id])) {
                $parent = self::parent($after->outline, $position);
                if (self::parent($before->outline, $was[$id]) !== $parent) {
                    $fallen[$parent][] = (string) $id;
                }
            }
        }
        $notices = [];
        foreach ($fallen as $parent => $ids) {
            $notices[] = self::notice($after, '' === $parent ? null : SectionId::fromString((string) $parent), $ids);
        }

        return $notices;
    }

    /**
     * The sections that can have come under another heading: those that were taken out or put in, and those that follow
     * them
     * until one stands as high as the highest of them. Whatever comes later has its heading after the change, and so
     * has
     * what moved together with it.
     *
     * @return array<string, true> by id
     */
    private static function nearAChange(Outline $before, Outline $after): array
    {
        $near = [];
        $edits = OutlineEdit::between($before, $after);
        foreach ($edits as $edit) {
            $before = $edit->appliedTo($before);
            $highest = (int) min([9, ...str_split($edit->removed->levels . $edit->inserted->levels)]);
            $behind = $edit->at + $edit->inserted->count();
            $end = $behind + strspn($before->levels, substr('0123456789', $highest + 1), $behind);
            $put = self::hasMovedWhole($edit->inserted, $edits)
                ? self::withoutHeading($edit->inserted)
                : $edit->inserted->ids();
            foreach ([...$put, ...$before->slice($behind, $end)->ids()] as $id) {
                $near[$id->value] = true;
            }
        }

        return $near;
    }

    /**
     * Whether the same sections were taken out elsewhere, and stand to each other as they did.
     *
     * @param list<OutlineEdit> $edits
     */
    private static function hasMovedWhole(Outline $run, array $edits): bool
    {
        foreach ($edits as $edit) {
            $was = $edit->removed;
            if ('' !== $run->ids && $was->ids === $run->ids) {
                return $was->findShifted((int) $run->levels[0] - (int) $was->levels[0])?->levels === $run->levels;
            }
        }

        return false;
    }

    /** @return list<SectionId> the sections of a run whose heading is not part of it */
    private static function withoutHeading(Outline $run): array
    {
        $ids = [];
        $highest = 10;
        foreach (str_split($run->levels) as $position => $level) {
            if ((int) $level <= $highest) {
                $ids[] = $run->idAt($position);
                $highest = (int) $level;
            }
        }

        return $ids;
    }

    /**
     * @param array<string, true> $ids
     *
     * @return array<string, int> of those that the outline holds, by id
     */
    private static function positions(Outline $outline, array $ids): array
    {
        if (count($ids) > self::MANY) {
            return self::positionsSideBySide($outline, $ids) ?? array_intersect_key($outline->positions(), $ids);
        }
        $positions = array_map(
            static fn(int|string $id): ?int => $outline->findPosition(SectionId::fromString((string) $id)),
            array_keys($ids),
        );

        return array_filter(array_combine(array_keys($ids), $positions), is_int(...));
    }

    /**
     * Most changes are in one place, so that a long document need not be listed whole.
     *
     * @param non-empty-array<string, true> $ids
     *
     * @return array<string, int>|null null when they do not stand side by side
     */
    private static function positionsSideBySide(Outline $outline, array $ids): ?array
    {
        $first = $outline->findPosition(SectionId::fromString((string) array_key_first($ids)));
        $last = $outline->findPosition(SectionId::fromString((string) array_key_last($ids)));
        if (null === $first || null === $last || $last - $first + 1 !== count($ids)) {
            return null;
        }
        $found = array_intersect_key($outline->slice($first, $last + 1)->positions(), $ids);

        return count($found) !== count($ids)
            ? null
            : array_map(static fn(int $position): int => $position + $first, $found);
    }

    /** @return string the id of the heading that a section stands under; empty at the top */
    private static function parent(Outline $outline, int $position): string
    {
        $parent = $outline->findParent($position);

        return null === $parent ? '' : $outline->idAt($parent)->value;
    }

    /**
     * @param SectionId|null         $parent null for sections that now stand at the top
     * @param non-empty-list<string> $fallen
     */
    private static function notice(Document $after, ?SectionId $parent, array $fallen): Notice
    {
        $more = count($fallen) - 1;
        $sentence = sprintf(
            '%s%s now %s %s.',
            $after->nameAt($after->outline->positionOf(SectionId::fromString($fallen[0]))),
            0 === $more ? '' : sprintf(' and %s more', number_format($more)),
            0 === $more ? 'stands' : 'stand',
            null === $parent ? 'at the top, under no heading' : 'under ' . $after->section($parent)->name(),
        );

        return new Notice(
            mb_strtoupper(mb_substr($sentence, 0, 1)) . mb_substr($sentence, 1),
            array_slice($fallen, 0, self::MOST_NAMED),
        );
    }
}
