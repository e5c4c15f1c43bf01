<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\Document\Section;

/** Finds what a query looks for in a section. */
final class Finder
{
    /** A pattern may take so long for all texts together (seconds), and so many steps for one line. */
    private const LONGEST = 4.0;
    private const STEPS = '200000';

    /** @var list<string> */
    private readonly array $expressions;
    /** Seconds. */
    private float $spent = 0;

    public function __construct(private readonly Query $query)
    {
        $this->expressions = $query->expressions();
    }

    /**
     * @return list<Hit> in reading order; none overlaps another
     *
     * @throws InvalidQuery for a pattern that does not come to an end
     */
    public function in(Section $section): array
    {
        $hits = [];
        foreach (Line::of($section, $this->query->fields) as $line) {
            array_push($hits, ...$this->inLine($line));
        }

        return $hits;
    }

    /**
     * Whether it is in words that stand alone, such as a title.
     *
     * @throws InvalidQuery
     */
    public function isIn(string $words): bool
    {
        return [] !== $this->inLine(new Line(Field::Heading, $words, [[0, 0, mb_strlen($words)]]));
    }

    /** @return list<Hit> */
    private function inLine(Line $line): array
    {
        [$words, $places] =
            FindMode::Pattern === $this->query->mode
                ? [$line->words, null]
                : Folding::withPlaces($line->words, $this->query->caseMatters, $this->query->diacriticsMatter);
        $found = [];
        foreach ($this->expressions as $expression) {
            $matches = $this->matches($expression, $words);
            // Of several words each must be in the line.
            if ([] === $matches) {
                return [];
            }
            array_push($found, ...$matches);
        }
        usort($found, static fn(array $one, array $other): int => [$one[0], -$one[1]] <=> [$other[0], -$other[1]]);
        $hits = [];
        $end = 0;
        foreach ($found as [$at, $length, $groups]) {
            if ($at >= $end) {
                $end = $at + $length;
                $hits[] =
                    null === $places
                        ? Hit::in($line, $at, $length, $groups)
                        : Hit::in($line, $places[$at], $places[$end] - $places[$at], $groups);
            }
        }

        return $hits;
    }

    /**
     * @return list<array{int, int, list<string>}> where each begins and how long it is, in characters, and its groups
     *
     * @throws InvalidQuery
     */
    private function matches(string $expression, string $words): array
    {
        $began = hrtime(true);
        $isPattern = FindMode::Pattern === $this->query->mode;
        $before = $isPattern ? ini_set('pcre.backtrack_limit', self::STEPS) : false;
        $count = preg_match_all($expression, $words, $sets, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);
        if (false !== $before) {
            ini_set('pcre.backtrack_limit', $before);
        }
        $this->spent += (hrtime(true) - $began) / 1e9;
        if (false === $count || ($isPattern && $this->spent > self::LONGEST)) {
            throw InvalidQuery::tooHard();
        }
        $found = [];
        [$bytes, $characters] = [0, 0];
        foreach ($sets as $set) {
            [$match, $offset] = $set[0];
            if ('' === $match) {
                continue;
            }
            $characters += mb_strlen(substr($words, $bytes, $offset - $bytes));
            $bytes = $offset;
            $groups = [];
            foreach ($set as [$group]) {
                $groups[] = $group;
            }
            $found[] = [$characters, mb_strlen($match), $groups];
        }

        return $found;
    }
}
