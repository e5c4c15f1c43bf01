<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * Tells which sections came to stand under another heading through a change that was not about them: the one rule, from
 * before and after, for every operation.
 */
final class FallenUnder
{
    /** Sections that a notice names one by one, for the screen to show. */
    private const MOST_NAMED = 100;

    /**
     * @param list<SectionId> $meant sections that the writer moved or gave a level; where those stand is no news
     *
     * @return list<Notice> one for each heading that others came to stand under, in the order of the outline
     */
    public static function notices(Document $before, Document $after, array $meant = []): array
    {
        $head = $before->outline->commonHead($after->outline);
        $tail = $before->outline->commonTail($after->outline, $head);
        $was = self::parents($before->outline, $head, $tail);
        $is = self::parents($after->outline, $head, $tail);
        $meant = array_fill_keys(array_map(static fn (SectionId $id): string => $id->value, $meant), true);
        $fallen = [];
        foreach ($is as $id => $parent) {
            // What the change itself made stands where it was put; only what was there before can fall.
            if (array_key_exists($id, $was) && $was[$id] !== $parent && !isset($meant[$id])) {
                $fallen[$parent ?? ''][] = $id;
            }
        }
        $notices = [];
        foreach ($fallen as $parent => $ids) {
            $notices[] = self::notice($after, '' === $parent ? null : SectionId::fromString((string) $parent), $ids);
        }

        return $notices;
    }

    /**
     * The heading that each section stands under, from the first that differs between the outlines to where none can differ
     * any more: the first section of level 1 after the last that does.
     *
     * @param int $from sections at the head that are the same in both
     * @param int $tail the same at the tail
     *
     * @return array<string, string|null> id of the parent by id
     */
    private static function parents(Outline $outline, int $from, int $tail): array
    {
        $end = $outline->count() - $tail;
        $end += strcspn($outline->levels, '1', $end);
        if ($from === $end) {
            return [];
        }
        $open = [];
        for ($above = $from > 0 ? $from - 1 : null; null !== $above; $above = $outline->findParent($above)) {
            array_unshift($open, $above);
        }
        $ids = str_split(substr($outline->ids, $from * SectionId::LENGTH, ($end - $from) * SectionId::LENGTH), SectionId::LENGTH);
        $parents = [];
        for ($position = $from; $position < $end; ++$position) {
            while ([] !== $open && ('0' === $outline->levels[end($open)] || $outline->levels[end($open)] >= $outline->levels[$position])) {
                array_pop($open);
            }
            $parents[$ids[$position - $from]] = [] === $open ? null : $outline->idAt(end($open))->value;
            $open[] = $position;
        }

        return $parents;
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
            null === $parent ? 'at the top, under no heading' : 'under '.$after->section($parent)->name(),
        );

        return new Notice(mb_strtoupper(mb_substr($sentence, 0, 1)).mb_substr($sentence, 1), array_slice($fallen, 0, self::MOST_NAMED));
    }
}
