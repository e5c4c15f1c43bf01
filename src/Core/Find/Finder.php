<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\Document\Section;

/** Finds what a query looks for in a section. */
final readonly class Finder
{
    /** @var list<string> */
    private array $expressions;

    public function __construct(private Query $query)
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
            $matches = self::matches($expression, $words);
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
    private static function matches(string $expression, string $words): array
    {
        $count = preg_match_all($expression, $words, $sets, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);
        if (false === $count) {
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
