<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\Document\Section;

/** The places that were found in sections, in the order of these, up to so many. */
final readonly class Found
{
    /**
     * @param array<string, non-empty-list<Hit>> $hits   by section
     * @param int                                $count  of the places
     * @param bool                               $isMore whether there are more than those
     */
    private function __construct(public array $hits, public int $count, public bool $isMore) {}

    /**
     * @param iterable<Section> $sections no more of them are read than are needed
     *
     * @throws InvalidQuery for a pattern that does not come to an end
     */
    public static function in(iterable $sections, Finder $finder, int $most = \PHP_INT_MAX): self
    {
        $found = [];
        $left = $most;
        foreach ($sections as $section) {
            $hits = $finder->in($section);
            if (count($hits) > $left) {
                $shown = array_slice($hits, 0, $left);

                return new self([] === $shown ? $found : [...$found, $section->id->value => $shown], $most, true);
            }
            if ([] !== $hits) {
                $found[$section->id->value] = $hits;
                $left -= count($hits);
            }
        }

        return new self($found, $most - $left, false);
    }
}
