<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/** One step from an outline to another: `$removed` cells at `$at` give way to `$inserted`. */
final readonly class OutlineEdit
{
    private function __construct(public int $at, public Outline $removed, public Outline $inserted) {}

    public static function restored(int $at, Outline $removed, Outline $inserted): self
    {
        return new self($at, $removed, $inserted);
    }

    /**
     * The edits that lead from one outline to the other, to be applied in turn.
     *
     * A moved branch is told as taking it out and putting it in, so that a long journey costs no more than a short one.
     *
     * @return list<self>
     */
    public static function between(Outline $before, Outline $after): array
    {
        if ($before->equals($after)) {
            return [];
        }
        $head = $before->commonHead($after);
        $tail = $before->commonTail($after, $head);
        $old = $before->slice($head, $before->count() - $tail);
        $new = $after->slice($head, $after->count() - $tail);

        return self::findMove($head, $old, $new) ?? [new self($head, $old, $new)];
    }

    public function inverted(): self
    {
        return new self($this->at, $this->inserted, $this->removed);
    }

    public function appliedTo(Outline $outline): Outline
    {
        return $outline->spliced($this->at, $this->at + $this->removed->count(), $this->inserted);
    }

    /**
     * When the same sections changed places as two neighbouring runs, the shorter run was moved.
     *
     * @return list<self>|null
     */
    private static function findMove(int $head, Outline $old, Outline $new): ?array
    {
        $count = $old->count();
        $turn = $count > 0 && $count === $new->count() ? $new->findPosition($old->idAt(0)) : null;
        if (null === $turn || 0 === $turn) {
            return null;
        }
        $first = $count - $turn;
        $cut = $first * SectionId::LENGTH;
        if (substr($old->ids, $cut) . substr($old->ids, 0, $cut) !== $new->ids) {
            return null;
        }
        if ($first <= $turn) {
            $out = new self($head, $old->slice(0, $first), Outline::empty());
            $in = new self($head + $turn, Outline::empty(), $new->slice($turn, $count));
            $kept = [$old->slice($first, $count), $new->slice(0, $turn)];
        } else {
            $out = new self($head + $first, $old->slice($first, $count), Outline::empty());
            $in = new self($head, Outline::empty(), $new->slice(0, $turn));
            $kept = [$old->slice(0, $first), $new->slice($turn, $count)];
        }

        return $kept[0]->equals($kept[1]) ? [$out, $in] : null;
    }
}
