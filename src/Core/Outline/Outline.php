<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/**
 * The order and the levels of a document's sections: all that its structure is.
 *
 * Kept as three packed strings, one cell per section. A branch is a run of cells, so a structural operation is a piece
 * of string work, and an outline of 10,000 sections is read, changed and stored as one row (docs/decisions/0002).
 * Positions are 0-based. The tree is derived on request and never stored.
 */
final readonly class Outline
{
    /** Flag bits, one hexadecimal digit per section. */
    public const UNNUMBERED = 1;
    public const LEFT_OUT_OF_CONTENTS = 2;
    /** Begins a branch that is numbered as an appendix. */
    public const APPENDIX = 4;
    /** Cells searched in one go for a heading above. */
    private const LOOKED_AT_ONCE = 256;

    /**
     * @param string $ids    twelve characters per section
     * @param string $levels one digit per section
     * @param string $flags  one hexadecimal digit per section
     */
    private function __construct(public string $ids, public string $levels, public string $flags) {}

    public static function empty(): self
    {
        return new self('', '', '');
    }

    public static function of(SectionId $id, Level $level, int $flags = 0): self
    {
        return new self($id->value, (string) $level->value, dechex($flags));
    }

    /**
     * From the packed strings of another outline, as stored.
     *
     * @throws InvalidOutline when the strings do not belong together, or a later section claims to be the opening
     */
    public static function packed(string $ids, string $levels, string $flags): self
    {
        $count = strlen($levels);
        if (strlen($ids) !== $count * SectionId::LENGTH || strlen($flags) !== $count) {
            throw InvalidOutline::columnsDiffer();
        }
        if (false !== strpos($levels, '0', 1 <= $count ? 1 : 0)) {
            throw InvalidOutline::openingNotFirst();
        }

        return new self($ids, $levels, $flags);
    }

    public function count(): int
    {
        return strlen($this->levels);
    }

    public function equals(self $other): bool
    {
        return $this->ids === $other->ids && $this->levels === $other->levels && $this->flags === $other->flags;
    }

    public function hasOpening(): bool
    {
        return str_starts_with($this->levels, '0');
    }

    public function has(SectionId $id): bool
    {
        return null !== $this->findPosition($id);
    }

    public function findPosition(SectionId $id): ?int
    {
        $from = 0;
        while (false !== ($at = strpos($this->ids, $id->value, $from))) {
            // An id may also be met astride two neighbours.
            if (0 === $at % SectionId::LENGTH) {
                return intdiv($at, SectionId::LENGTH);
            }
            $from = $at + 1;
        }

        return null;
    }

    /** @return array<string, int> every position by id, for who asks for many */
    public function positions(): array
    {
        return '' === $this->ids ? [] : array_flip(str_split($this->ids, SectionId::LENGTH));
    }

    /** @throws InvalidSectionId when the outline does not hold it */
    public function positionOf(SectionId $id): int
    {
        return $this->findPosition($id) ?? throw InvalidSectionId::notInOutline($id);
    }

    public function idAt(int $position): SectionId
    {
        return SectionId::fromString(substr($this->ids, $position * SectionId::LENGTH, SectionId::LENGTH));
    }

    public function levelAt(int $position): Level
    {
        return Level::from((int) $this->levels[$position]);
    }

    public function flagsAt(int $position): int
    {
        return (int) hexdec($this->flags[$position]);
    }

    public function isNumberedAt(int $position): bool
    {
        return 0 === ($this->flagsAt($position) & self::UNNUMBERED);
    }

    public function isInContentsAt(int $position): bool
    {
        return 0 === ($this->flagsAt($position) & self::LEFT_OUT_OF_CONTENTS);
    }

    /** @return list<SectionId> */
    public function ids(): array
    {
        return array_map(SectionId::fromString(...), '' === $this->ids ? [] : str_split($this->ids, SectionId::LENGTH));
    }

    /**
     * The position after the last section of the branch that starts here: the first later one that is not deeper.
     * Nothing is under the opening.
     */
    public function branchEnd(int $position): int
    {
        if ('0' === $this->levels[$position]) {
            return $position + 1;
        }
        $deeper = substr('0123456789', (int) $this->levels[$position] + 1);

        return $position + 1 + strspn($this->levels, $deeper, $position + 1);
    }

    public function findParent(int $position): ?int
    {
        // The opening is nobody's parent.
        $higher = substr('12345678', 0, max(0, (int) $this->levels[$position] - 1));
        for ($end = $position; $end > 0; $end = $from) {
            $from = max(0, $end - self::LOOKED_AT_ONCE);
            $backwards = strrev(substr($this->levels, $from, $end - $from));
            $at = strcspn($backwards, $higher);
            if ($at < strlen($backwards)) {
                return $end - 1 - $at;
            }
        }

        return null;
    }

    public function findPreviousSibling(int $position): ?int
    {
        $floor = $this->findParent($position) ?? -1;
        $sibling = null;
        // Going back, each new lowest level is the head of all seen since; the last such head under the parent is the
        // sibling.
        $lowest = 10;
        for ($earlier = $position - 1; $earlier > $floor; --$earlier) {
            $level = (int) $this->levels[$earlier];
            if (0 === $level) {
                break;
            }
            if ($level < $lowest) {
                $lowest = $level;
                $sibling = $earlier;
            }
            if ($level <= (int) $this->levels[$position]) {
                break;
            }
        }

        return $sibling;
    }

    public function findNextSibling(int $position): ?int
    {
        $end = $this->branchEnd($position);
        if ($end >= $this->count() || $this->levelAt($position)->isOpening()) {
            return null;
        }

        return $this->findParent($end) === $this->findParent($position) ? $end : null;
    }

    /**
     * A run of sections as an outline of its own; it may start at any level, but holds the opening only at its head.
     */
    public function slice(int $from, int $to): self
    {
        return new self(
            substr($this->ids, $from * SectionId::LENGTH, ($to - $from) * SectionId::LENGTH),
            substr($this->levels, $from, $to - $from),
            substr($this->flags, $from, $to - $from),
        );
    }

    /**
     * @throws InvalidOutline when a section would come to stand before the opening, or a second opening would appear
     */
    public function spliced(int $from, int $to, self $replacement): self
    {
        return self::packed(
            substr_replace($this->ids, $replacement->ids, $from * SectionId::LENGTH, ($to - $from) * SectionId::LENGTH),
            substr_replace($this->levels, $replacement->levels, $from, $to - $from),
            substr_replace($this->flags, $replacement->flags, $from, $to - $from),
        );
    }

    public function without(int $from, int $to): self
    {
        return $this->spliced($from, $to, self::empty());
    }

    /**
     * Many runs exchanged at once, at the cost of one.
     *
     * @param list<array{int, int, self}> $exchanges from, to (exclusive) and what stands there instead; ascending,
     *     none inside another
     *
     * @throws InvalidOutline as spliced()
     */
    public function splicedAt(array $exchanges): self
    {
        [$ids, $levels, $flags, $at] = ['', '', '', 0];
        foreach ([...$exchanges, [$this->count(), $this->count(), self::empty()]] as [$from, $to, $replacement]) {
            $kept = $this->slice($at, $from);
            $ids .= $kept->ids . $replacement->ids;
            $levels .= $kept->levels . $replacement->levels;
            $flags .= $kept->flags . $replacement->flags;
            $at = $to;
        }

        return self::packed($ids, $levels, $flags);
    }

    public function followedBy(self $other): self
    {
        return $this->spliced($this->count(), $this->count(), $other);
    }

    /**
     * Every section moved by the same number of levels.
     *
     * @return self|null null when one of them would leave levels 1 to 9
     */
    public function findShifted(int $by): ?self
    {
        $shifted = '';
        foreach ('' === $this->levels ? [] : str_split($this->levels) as $level) {
            $value = (int) $level + $by;
            if ($value < 1 || $value > 9) {
                return null;
            }
            $shifted .= $value;
        }

        return new self($this->ids, $shifted, $this->flags);
    }

    /** @param array<int, int> $flags by position */
    public function withFlags(array $flags): self
    {
        $all = $this->flags;
        foreach ($flags as $position => $each) {
            $all[$position] = dechex($each);
        }

        return new self($this->ids, $this->levels, $all);
    }

    /** @param list<SectionId> $ids as many as there are sections */
    public function withIds(array $ids): self
    {
        return self::packed(
            implode('', array_map(static fn(SectionId $id): string => $id->value, $ids)),
            $this->levels,
            $this->flags,
        );
    }

    /** How many sections two outlines have in common at their head, levels and flags included. */
    public function commonHead(self $other): int
    {
        return min(
            intdiv(self::headLength($this->ids, $other->ids), SectionId::LENGTH),
            self::headLength($this->levels, $other->levels),
            self::headLength($this->flags, $other->flags),
        );
    }

    /** How many sections they have in common at their tail, of those that are not in the common head. */
    public function commonTail(self $other, int $head): int
    {
        return min(
            min($this->count(), $other->count()) - $head,
            intdiv(self::headLength(strrev($this->ids), strrev($other->ids)), SectionId::LENGTH),
            self::headLength(strrev($this->levels), strrev($other->levels)),
            self::headLength(strrev($this->flags), strrev($other->flags)),
        );
    }

    /**
     * How many bytes two strings have in common at the head.
     *
     * By halving: a comparison of whole heads runs at the speed of memory, and seventeen of them settle 10,000
     * sections.
     */
    private static function headLength(string $a, string $b): int
    {
        $common = 0;
        $most = min(strlen($a), strlen($b));
        while ($common < $most) {
            $half = intdiv($common + $most + 1, 2);
            if (0 === strncmp($a, $b, $half)) {
                $common = $half;
            } else {
                $most = $half - 1;
            }
        }

        return $common;
    }
}
