<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Check\BrokenLink;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;

/** Links lead by ids; so they hold as long as each id stands for one place, and the place is there. */
final class LinksHoldTest extends TestCase
{
    private const STEPS = 500;

    #[
        TestDox(
            'After 500 random operations and undos a link leads to its one place, or that was taken away and is a finding',
        ),
    ]
    public function testLinksLeadWhereTheyLed(): void
    {
        $checked = 0;
        $broken = 0;
        for ($seed = 1, $runs = Dose::of(60, 8); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $documents->document();
            $takenAway = array_fill_keys(self::missing($document), true);
            $undoable = [];
            for ($step = 0; $step < self::STEPS; ++$step) {
                $before = $document;
                $name = 'undo';
                if ([] !== $undoable && 0 === $random->getInt(0, 3)) {
                    $document = $document->changedBy(array_pop($undoable)->inverted());
                } else {
                    [$name, $operation] = $operations->on($document);
                    $outcome = $operation->applyTo($document);
                    if (!($outcome instanceof Applied) || $outcome->document->outline->count() > 40) {
                        continue;
                    }
                    $undoable[] = Change::between($before, $outcome->document);
                    $document = $outcome->document;
                }
                $at = sprintf('seed %d, step %d, %s', $seed, $step, $name);
                $there = self::places($document);
                $bookmarks = self::bookmarks($document);
                self::assertSame(array_unique($bookmarks), $bookmarks, 'A place stands twice: ' . $at);
                foreach (array_diff(self::places($before), $there) as $gone) {
                    $takenAway[$gone] = true;
                }
                $missing = self::missing($document);
                foreach ($missing as $target) {
                    self::assertArrayHasKey($target, $takenAway, 'A link leads to what was never there: ' . $at);
                }
                self::assertCount(
                    count($missing),
                    iterator_to_array((new BrokenLink())->findings($document, []), false),
                    'A link that leads nowhere is a finding: ' . $at,
                );
                $checked += count(self::links($document));
                $broken += count($missing);
            }
        }
        self::assertGreaterThan(8_000, $checked);
        self::assertGreaterThan(500, $broken);
    }

    /** @return list<string> ids of sections and bookmarks in the text; an opening that was a section once has both */
    private static function places(Document $document): array
    {
        return array_values(
            array_unique([
                ...array_map(static fn(SectionId $id): string => $id->value, $document->outline->ids()),
                ...self::bookmarks($document),
            ]),
        );
    }

    /** @return list<string> */
    private static function bookmarks(Document $document): array
    {
        $bookmarks = [];
        foreach ($document->references() as $references) {
            array_push($bookmarks, ...array_map(strval(...), array_keys($references->bookmarks)));
        }

        return $bookmarks;
    }

    /** @return list<string> what each link leads to */
    private static function links(Document $document): array
    {
        $links = [];
        foreach ($document->references() as $references) {
            array_push($links, ...array_map(strval(...), array_keys($references->links)));
        }

        return $links;
    }

    /** @return list<string> what links lead to that is not in the text */
    private static function missing(Document $document): array
    {
        return array_values(array_diff(self::links($document), self::places($document)));
    }
}
