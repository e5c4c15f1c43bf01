<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * Two states of one document, section by section. What goes along with its parent is told of the parent only: a branch
 * of fifty that was moved is one difference.
 */
final readonly class Comparison
{
    private function __construct(private Document $then, private Document $now) {}

    /**
     * Both made from one state by taking changes back and doing others again, so that each knows what it changed.
     *
     * @return list<Difference> in the order of the text as it is now; what is gone comes last
     */
    public static function between(Document $then, Document $now): array
    {
        return (new self($then, $now))->differences();
    }

    /** @return list<Difference> */
    private function differences(): array
    {
        $old = self::places($this->then->outline);
        $new = self::places($this->now->outline);
        $steady = self::steady(array_values(array_intersect_key($old, $new)), $new);
        $differences = [];
        foreach ($new as $id => $place) {
            $section = SectionId::fromString((string) $id);
            $kinds = isset($old[$id])
                ? [...$this->placeKinds($old[$id], $place, $steady, $old, $new), ...$this->wordKinds($section)]
                : [DifferenceKind::Added];
            $noted = isset($old[$id])
                ? [...$this->noted($section), ...self::notedInOutline($old[$id]['flags'], $place['flags'])]
                : [];
            if ([] !== $kinds || [] !== $noted) {
                $differences[] = new Difference(
                    $section,
                    $this->now->section($section)->heading->plainText(),
                    $kinds,
                    $noted,
                );
            }
        }
        foreach (array_keys(array_diff_key($old, $new)) as $id) {
            $section = SectionId::fromString((string) $id);
            $differences[] = new Difference($section, $this->then->section($section)->heading->plainText(), [
                DifferenceKind::Gone,
            ]);
        }

        return $differences;
    }

    /**
     * @param array{id: string, level: int, parent: string, flags: int}                $was
     * @param array{id: string, level: int, parent: string, flags: int}                $is
     * @param array<string, true>                                          $steady
     * @param array<string, array{id: string, level: int, parent: string, flags: int}> $old
     * @param array<string, array{id: string, level: int, parent: string, flags: int}> $new
     *
     * @return list<DifferenceKind>
     */
    private function placeKinds(array $was, array $is, array $steady, array $old, array $new): array
    {
        $kinds = [];
        $parent = $is['parent'];
        if (!isset($steady[$is['id']]) && ($was['parent'] !== $parent || '' === $parent || isset($steady[$parent]))) {
            $kinds[] = DifferenceKind::Moved;
        }
        $by = $is['level'] - $was['level'];
        $parentBy = isset($old[$parent], $new[$parent]) ? $new[$parent]['level'] - $old[$parent]['level'] : 0;
        if (0 !== $by && ($was['parent'] !== $parent || $by !== $parentBy)) {
            $kinds[] = $by < 0 ? DifferenceKind::Promoted : DifferenceKind::Demoted;
        }

        return $kinds;
    }

    /** @return list<DifferenceKind> */
    private function wordKinds(SectionId $id): array
    {
        if (!$this->isTouched($id)) {
            return [];
        }
        [$then, $now] = [$this->then->section($id), $this->now->section($id)];

        return [
            ...$then->heading == $now->heading ? [] : [DifferenceKind::Renamed],
            ...$then->body == $now->body ? [] : [DifferenceKind::Reworded],
        ];
    }

    /** Only what a change touched can read otherwise; a long document is not read through. */
    private function isTouched(SectionId $id): bool
    {
        return array_key_exists($id->value, $this->then->changedSections) ||
            array_key_exists($id->value, $this->now->changedSections);
    }

    /** @return list<DetailChange> */
    private function noted(SectionId $id): array
    {
        if (!$this->isTouched($id)) {
            return [];
        }
        [$then, $now] = [$this->then->section($id), $this->now->section($id)];

        return self::changed([
            new DetailChange(SectionDetail::Aim, $then->aim, $now->aim),
            new DetailChange(SectionDetail::Target, (string) $then->target, (string) $now->target),
            new DetailChange(SectionDetail::Marker, $then->marker->value, $now->marker->value),
            new DetailChange(SectionDetail::Stage, $then->stage->value, $now->stage->value),
            new DetailChange(SectionDetail::Look, $then->shape->written(), $now->shape->written()),
        ]);
    }

    /** @return list<DetailChange> */
    private static function notedInOutline(int $then, int $now): array
    {
        $numbering = static fn(int $flags): string => match (true) {
            0 !== ($flags & Outline::UNNUMBERED) => 'unnumbered',
            0 !== ($flags & Outline::APPENDIX) => 'appendix',
            default => 'numbered',
        };
        $contents = static fn(int $flags): string => 0 === ($flags & Outline::LEFT_OUT_OF_CONTENTS)
            ? 'listed'
            : 'left out';

        return self::changed([
            new DetailChange(SectionDetail::Numbering, $numbering($then), $numbering($now)),
            new DetailChange(SectionDetail::Contents, $contents($then), $contents($now)),
        ]);
    }

    /**
     * @param list<DetailChange> $noted
     *
     * @return list<DetailChange>
     */
    private static function changed(array $noted): array
    {
        return array_values(array_filter($noted, static fn(DetailChange $each): bool => $each->then !== $each->now));
    }

    /**
     * @return array<string, array{id: string, level: int, parent: string, flags: int}> by id, in order; no parent is ''
     */
    private static function places(Outline $outline): array
    {
        $places = [];
        $above = [];
        foreach ($outline->ids() as $position => $id) {
            $level = $outline->levelAt($position)->value;
            while ([] !== $above && $above[count($above) - 1]['level'] >= $level) {
                array_pop($above);
            }
            $parent = $above[count($above) - 1]['id'] ?? '';
            $places[$id->value] = [
                'id' => $id->value,
                'level' => $level,
                'parent' => $parent,
                'flags' => $outline->flagsAt($position),
            ];
            if ($level > 0) {
                $above[] = $places[$id->value];
            }
        }

        return $places;
    }

    /**
     * The most sections that kept their order among each other; the others are the ones that were moved. The longest
     * increasing subsequence, by patience sorting (common practice).
     *
     * @param list<array{id: string, level: int, parent: string, flags: int}>          $old in their old order,
     *     all of them still there
     * @param array<string, array{id: string, level: int, parent: string, flags: int}> $new
     *
     * @return array<string, true> their ids
     */
    private static function steady(array $old, array $new): array
    {
        $rank = array_flip(array_keys($new));
        $tails = [];
        $before = [];
        foreach ($old as $index => $place) {
            $value = $rank[$place['id']];
            [$low, $high] = [0, count($tails)];
            while ($low < $high) {
                $middle = intdiv($low + $high, 2);
                if ($rank[$old[$tails[$middle]]['id']] < $value) {
                    $low = $middle + 1;
                } else {
                    $high = $middle;
                }
            }
            $before[$index] = $low > 0 ? $tails[$low - 1] : null;
            $tails[$low] = $index;
        }
        $steady = [];
        for ($index = [] === $tails ? null : $tails[count($tails) - 1]; null !== $index; $index = $before[$index]) {
            $steady[$old[$index]['id']] = true;
        }

        return $steady;
    }
}
