<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Find;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\Found;
use Stemmata\Core\Find\Query;
use Stemmata\Tests\Support\Services;

/** The places of several sections: in their order, and no more of them than are wanted. */
final class FoundTest extends TestCase
{
    private const TEXT = "# A\n\nlamp, lamp\n\n# B\n\nnothing\n\n# C\n\nlamp and lamp\n\n# D\n\nlamp\n";

    /** @param list<int> $places in each section that has some */
    #[TestWith([10, [2, 2, 1], 5, false])]
    #[TestWith([5, [2, 2, 1], 5, false])]
    #[TestWith([4, [2, 2], 4, true])]
    #[TestWith([3, [2, 1], 3, true])]
    #[TestWith([2, [2], 2, true])]
    #[TestWith([1, [1], 1, true])]
    public function testAreToldUpToSoMany(int $most, array $places, int $count, bool $isMore): void
    {
        $found = Found::in(self::sections(), new Finder(new Query('lamp')), $most);

        self::assertSame($places, array_values(array_map(count(...), $found->hits)));
        self::assertSame([$count, $isMore], [$found->count, $found->isMore]);
    }

    public function testNoMoreSectionsAreReadThanAreNeeded(): void
    {
        $read = 0;
        $counted = (static function () use (&$read): iterable {
            foreach (self::sections() as $section) {
                ++$read;
                yield $section;
            }
        })();
        Found::in($counted, new Finder(new Query('lamp')), 3);

        self::assertSame(3, $read);
    }

    /** @return iterable<Section> */
    private static function sections(): iterable
    {
        return Services::formats()->read('x.md', self::TEXT)->document->sections();
    }
}
