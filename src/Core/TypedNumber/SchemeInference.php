<?php

declare(strict_types=1);

namespace Stemmata\Core\TypedNumber;

use Stemmata\Core\Numbering\LevelNumber;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Numbering\SectionNumber;
use Stemmata\Core\Outline\Outline;

/**
 * Finds the scheme by which a document's headings were numbered, from the numbers that stand in them.
 *
 * Each level is looked at on its own, appendices apart: the way of writing that most of its numbers share is its rule.
 * Counting is set to a number where a row begins elsewhere than its fellows, or leaps and then goes on from there. What
 * still differs is told, and a level whose numbers mostly differ is no numbering at all.
 */
final class SchemeInference
{
    /** Below this share of equal numbers, what a level's headings begin with is taken for words. */
    private const LEAST_AGREEMENT = 0.5;

    /** @var array<int, TypedNumber|null> as they were at first */
    private readonly array $found;

    /** @param array<int, TypedNumber|null> $typed by position, null for a heading without a number */
    private function __construct(private readonly Outline $outline, private array $typed)
    {
        $this->found = $typed;
    }

    /** @param list<TypedNumber|null> $typed by position, null for a heading without a number */
    public static function of(Outline $outline, array $typed): InferredNumbering
    {
        return (new self($outline, $typed))->inferred();
    }

    private function inferred(): InferredNumbering
    {
        $this->dropWeak();
        $plain = $this->findPlain();
        if (null !== $plain) {
            return $plain;
        }
        for ($round = 0; $round < 9; ++$round) {
            $outline = $this->marked();
            $scheme = $this->scheme($outline);
            $outline = $this->withUnnumbered($outline, $scheme);
            $scheme = $scheme->withStarts($this->starts($outline, $scheme));
            $numbers = Numbers::counted($outline, $scheme);
            if (!$this->dropDisagreeing($outline, $numbers)) {
                break;
            }
        }
        $lifted = array_keys(array_filter($this->typed, static fn(?TypedNumber $typed): bool => null !== $typed));
        if ([] === $lifted) {
            return new InferredNumbering($this->outline, Scheme::decimal(), [], [], $this->keptAsWords());
        }

        return new InferredNumbering($outline, $scheme, $lifted, $this->differences($numbers), $this->keptAsWords());
    }

    /** The plain numbers, when they explain every number there is. */
    private function findPlain(): ?InferredNumbering
    {
        $outline = $this->marked();
        foreach ($this->typed as $position => $typed) {
            if (null === $typed && '0' !== $outline->levels[$position]) {
                $outline = $outline->withFlags([$position => $outline->flagsAt($position) | Outline::UNNUMBERED]);
            }
        }
        $numbers = Numbers::counted($outline, Scheme::decimal());
        $lifted = array_keys(array_filter($this->typed, static fn(?TypedNumber $typed): bool => null !== $typed));
        foreach ($lifted as $position) {
            if (!$this->agrees($position, $numbers)) {
                return null;
            }
        }

        return [] === $lifted
            ? null
            : new InferredNumbering($outline, Scheme::decimal(), $lifted, [], $this->keptAsWords());
    }

    /**
     * What could as well be a word counts only in company: a row that counts on, or numbers under it that begin with
     * it.
     */
    private function dropWeak(): void
    {
        foreach ($this->weakByLevel() as $positions) {
            $isSupported = $this->countsOn($positions) || $this->beginsDeeperOnes($positions);
            foreach ($isSupported ? [] : $positions as $position) {
                $this->typed[$position] = null;
            }
        }
    }

    /** @return array<string, list<int>> positions of levels whose numbers are all weak */
    private function weakByLevel(): array
    {
        $byLevel = [];
        foreach ($this->typed as $position => $typed) {
            if (null !== $typed) {
                $byLevel[
                    $this->outline->levels[$position] .
                        (1 === preg_match('/\d/', $typed->own()) ? ' digits' : ' letters')
                ][] = $position;
            }
        }

        return array_filter(
            $byLevel,
            fn(array $positions): bool => [] ===
                array_filter($positions, fn(int $position): bool => !($this->typed[$position]->isWeak ?? true)),
        );
    }

    /** @param list<int> $positions */
    private function countsOn(array $positions): bool
    {
        $first = $this->typed[$positions[0]];
        if (1 === count($positions)) {
            return '1' === $first?->own() && 1 === preg_match('/\A\p{Lu}/u', $first->rest);
        }
        foreach (NumberStyle::cases() as $style) {
            $steps = 0;
            $previous = null;
            foreach ($positions as $position) {
                $number = $style->findNumber($this->typed[$position]?->own() ?? '');
                $steps += null !== $number && (null === $previous || $number === $previous + 1 || $number <= 1) ? 1 : 0;
                $previous = $number ?? $previous;
            }
            if ($steps >= 2 && $steps >= 0.7 * count($positions)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether the next number under one of them begins with its own.
     *
     * @param list<int> $positions
     */
    private function beginsDeeperOnes(array $positions): bool
    {
        foreach ($positions as $position) {
            for (
                $under = $position + 1;
                isset($this->outline->levels[$under]) &&
                $this->outline->levels[$under] > $this->outline->levels[$position];
                ++$under
            ) {
                $typed = $this->typed[$under];
                if (null !== $typed) {
                    $parts = $this->typed[$position]->parts ?? [];
                    if (
                        count($typed->parts) > count($parts) &&
                        array_slice($typed->parts, 0, count($parts)) === $parts
                    ) {
                        return true;
                    }
                    break;
                }
            }
        }

        return false;
    }

    /**
     * The outline with appendices marked: by their word, or as letters at a level where digits or romans came before.
     */
    private function marked(): Outline
    {
        $outline = $this->outline;
        $hasMain = [];
        foreach ($this->typed as $position => $typed) {
            if (null === $typed) {
                continue;
            }
            $level = $outline->levels[$position];
            $styles = 1 === count($typed->parts) ? NumberStyle::stylesOf($typed->own()) : [];
            $isLetter = in_array(NumberStyle::UpperLetter, $styles, true);
            if (
                $typed->isAppendix() ||
                ('' === $typed->word && $isLetter && ($hasMain[$level] ?? false) && $this->beginsLetters($position))
            ) {
                $outline = $outline->withFlags([$position => $outline->flagsAt($position) | Outline::APPENDIX]);
            } elseif (!$isLetter) {
                $hasMain[$level] = true;
            }
        }

        return $outline;
    }

    /** Whether this is “A”, or follows on the letter before it. */
    private function beginsLetters(int $position): bool
    {
        $own = $this->typed[$position]?->own() ?? '';
        $before = null;
        for ($earlier = $position - 1; $earlier >= 0 && null === $before; --$earlier) {
            $before =
                $this->outline->levels[$earlier] === $this->outline->levels[$position]
                    ? $this->typed[$earlier]?->own()
                    : null;
        }

        return 'A' === $own ||
            (null !== $before &&
                NumberStyle::UpperLetter->findNumber($own) === 1 + (int) NumberStyle::UpperLetter->findNumber($before));
    }

    private function scheme(Outline $outline): Scheme
    {
        $plain = Scheme::decimal();
        $rules = [0 => $plain->levels, 1 => $plain->appendices];
        foreach ($this->groups($outline) as $key => $positions) {
            $rule = $this->rule($outline, $positions);
            $rules[(int) str_starts_with($key, 'a')][(int) substr($key, -1)] = $rule;
        }

        return Scheme::of($rules[0], $rules[1]);
    }

    /**
     * @return array<string, non-empty-list<int>> positions of numbered headings, by “m” or “a” for appendices,
     *     and the level
     */
    private function groups(Outline $outline): array
    {
        $groups = [];
        $appendixLevel = null;
        foreach ($this->typed as $position => $typed) {
            $level = (int) $outline->levels[$position];
            if (null !== $appendixLevel && $level <= $appendixLevel) {
                $appendixLevel = null;
            }
            if (null === $appendixLevel && 0 !== ($outline->flagsAt($position) & Outline::APPENDIX)) {
                $appendixLevel = $level;
            }
            if (null !== $typed) {
                $groups[(null === $appendixLevel ? 'm' : 'a') . $level][] = $position;
            }
        }

        return $groups;
    }

    /** @param non-empty-list<int> $positions */
    private function rule(Outline $outline, array $positions): LevelNumber
    {
        $typed = array_values(
            array_filter(array_map(fn(int $position): ?TypedNumber => $this->typed[$position], $positions)),
        );
        $word = self::mostCommon(array_map(static fn(TypedNumber $each): string => $each->word, $typed));
        $withParents =
            '1' ===
            self::mostCommon(
                array_map(static fn(TypedNumber $each): string => count($each->parts) > 1 ? '1' : '0', $typed),
            );
        $alike = array_values(
            array_filter(
                $positions,
                fn(int $position): bool => $this->isWrittenSo($this->typed[$position], $word, $withParents),
            ),
        );
        $style = $this->style($alike);
        $separator = $withParents
            ? self::mostCommon(
                array_map(fn(int $position): string => $this->typed[$position]->separator ?? '.', $alike),
            )
            : '.';
        $numbers = [];
        foreach ($alike as $position) {
            $number = $style->findNumber($this->typed[$position]?->own() ?? '');
            if (null !== $number) {
                $numbers[$outline->findParent($position) ?? -1][] = $number;
            }
        }
        $restarts = $withParents || !self::countsThrough($numbers);
        $firsts = array_values(
            array_map(
                static fn(array $row): string => (string) $row[0],
                $restarts ? $numbers : array_slice($numbers, 0, 1),
            ),
        );
        // At the head of a level that hangs on nothing, “with parents” and without are the same; the plain scheme says
        // with.
        $withParents =
            $withParents || ('' === $word && [-1] === array_keys($numbers) && NumberStyle::Arabic === $style);

        return new LevelNumber(
            $style,
            $word,
            $withParents,
            $separator,
            $restarts || $withParents,
            [] === $firsts ? 1 : (int) self::mostCommon($firsts),
            $this->fillsSkipped(),
        );
    }

    /** Some programs count a skipped level as 0: “2.0.1” at level 3 right under “2”. */
    private function fillsSkipped(): bool
    {
        foreach ($this->typed as $position => $typed) {
            if (
                null !== $typed &&
                in_array('0', array_slice($typed->parts, 0, -1), true) &&
                count($typed->parts) === (int) $this->outline->levels[$position]
            ) {
                return true;
            }
        }

        return false;
    }

    private function isWrittenSo(?TypedNumber $typed, string $word, bool $withParents): bool
    {
        return null !== $typed && 0 === strcasecmp($typed->word, $word) && count($typed->parts) > 1 === $withParents;
    }

    /** @param list<int> $positions */
    private function style(array $positions): NumberStyle
    {
        $best = NumberStyle::Arabic;
        $most = 0;
        foreach (NumberStyle::cases() as $style) {
            $fits = 0;
            $previous = null;
            foreach ($positions as $position) {
                $number = $style->findNumber($this->typed[$position]?->own() ?? '');
                // Counting on is worth more than being readable: “I” after “H” is a letter.
                $fits +=
                    null === $number ? 0 : (null === $previous || $number === $previous + 1 || 1 === $number ? 3 : 1);
                $previous = $number;
            }
            if ($fits > $most) {
                [$best, $most] = [$style, $fits];
            }
        }

        return $best;
    }

    /** @param array<int, non-empty-list<int>> $rows numbers under each parent, in order */
    private static function countsThrough(array $rows): bool
    {
        $last = null;
        $on = 0;
        $anew = 0;
        foreach ($rows as $row) {
            $on += null !== $last && $row[0] === $last + 1 ? 1 : 0;
            $anew += null !== $last && $row[0] <= 1 ? 1 : 0;
            $last = $row[count($row) - 1];
        }

        return $on > $anew;
    }

    /** A heading that bears no number, or one that its level's rule does not write, stands outside the numbering. */
    private function withUnnumbered(Outline $outline, Scheme $scheme): Outline
    {
        foreach ($this->groups($outline) as $key => $positions) {
            $rule = $scheme->findLevel(str_starts_with($key, 'a'), (int) substr($key, -1));
            foreach ($positions as $position) {
                $typed = $this->typed[$position];
                $isRuled =
                    null !== $rule &&
                    null !== $typed &&
                    0 === strcasecmp($typed->word, $rule->word) &&
                    count($typed->parts) > 1 ===
                        ($rule->withParents &&
                            ($rule->fillsSkipped || null !== $outline->findParent($position)) &&
                            '1' !== $outline->levels[$position]) &&
                    null !== $rule->style->findNumber($typed->own());
                $this->typed[$position] = $isRuled ? $typed : null;
            }
        }
        foreach ($this->typed as $position => $typed) {
            if (null === $typed && '0' !== $outline->levels[$position]) {
                $outline = $outline->withFlags([$position => $outline->flagsAt($position) | Outline::UNNUMBERED]);
            }
        }

        return $outline;
    }

    /**
     * @return array<string, int> where counting is set: a row that begins elsewhere, or a leap after which it goes on
     */
    private function starts(Outline $outline, Scheme $scheme): array
    {
        $rows = [];
        foreach (Numbers::counted($outline, $scheme) as $position => $number) {
            if (null !== $number && null !== $this->typed[$position]) {
                $rows[$number->series][] = [
                    $position,
                    $number->rule,
                    $number->rule->style->findNumber($this->typed[$position]->own()) ?? 0,
                ];
            }
        }
        $starts = [];
        foreach ($rows as $row) {
            $expected = $row[0][1]->start;
            $agreed = null;
            foreach ($row as $nth => [$position, , $printed]) {
                $goesOn = isset($row[$nth + 1]) && $row[$nth + 1][2] === $printed + 1;
                // After one number out of its turn, the row goes on where it had been.
                $returns = null !== $agreed && $printed === $agreed + 1;
                if (
                    $printed !== $expected &&
                    (0 === $nth || $goesOn || $returns || $this->beginsDeeperOnes([$position]))
                ) {
                    $starts[$outline->idAt($position)->value] = $printed;
                    $expected = $printed;
                }
                $agreed = $printed === $expected ? $printed : $agreed;
                ++$expected;
            }
        }

        return $starts;
    }

    /** @param list<SectionNumber|null> $numbers */
    private function dropDisagreeing(Outline $outline, array $numbers): bool
    {
        $dropped = false;
        foreach ($this->groups($outline) as $positions) {
            $equal = count(array_filter($positions, fn(int $position): bool => $this->agrees($position, $numbers)));
            if ($equal < self::LEAST_AGREEMENT * count($positions)) {
                foreach ($positions as $position) {
                    $this->typed[$position] = null;
                }
                $dropped = true;
            }
        }

        return $dropped;
    }

    /**
     * @param list<SectionNumber|null> $numbers
     *
     * @return array<int, array{string, string}> printed and computed number, by position
     */
    private function differences(array $numbers): array
    {
        $differences = [];
        foreach ($this->typed as $position => $typed) {
            if (null !== $typed && !$this->agrees($position, $numbers)) {
                $differences[$position] = [$typed->label(), $numbers[$position]?->label() ?? ''];
            }
        }

        return $differences;
    }

    /**
     * @return list<int> positions of headings that begin with a number for certain, which no scheme found here computes
     */
    private function keptAsWords(): array
    {
        return array_keys(
            array_filter(
                $this->found,
                fn(?TypedNumber $found, int $position): bool => null !== $found &&
                    !$found->isWeak &&
                    null === $this->typed[$position],
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** @param list<SectionNumber|null> $numbers */
    private function agrees(int $position, array $numbers): bool
    {
        return 0 === strcasecmp($this->typed[$position]?->label() ?? '', $numbers[$position]?->label() ?? '');
    }

    /** @param list<string> $values */
    private static function mostCommon(array $values): string
    {
        $counts = array_count_values($values);
        arsort($counts);

        return (string) (array_key_first($counts) ?? '');
    }
}
