<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Outline;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Outline\InvalidOutline;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\OutlineWalk;
use Stemmata\Tests\Support\Sketch;

final class OutlineTest extends TestCase
{
    public function testBranchIsARunOfDeeperSections(): void
    {
        $outline = Sketch::document('1 a, 2 b, 3 c, 2 d, 1 e')->outline;

        self::assertSame([4, 3, 3, 4, 5], array_map($outline->branchEnd(...), range(0, 4)));
    }

    public function testParentIsTheNearestEarlierSectionOfASmallerLevel(): void
    {
        $outline = Sketch::document('0 , 1 a, 3 b, 2 c, 4 d, 1 e')->outline;

        self::assertSame([null, null, 1, 1, 3, null], (new OutlineWalk($outline))->parents());
        self::assertSame([null, null, 1, 1, 3, null], array_map($outline->findParent(...), range(0, 5)));
    }

    public function testFiguresAreSummedOverBranches(): void
    {
        $random = new Randomizer(new Mt19937(5));
        for ($run = 0; $run < 50; ++$run) {
            $levels = array_map(static fn(): int => $random->getInt(1, 9), range(1, 30));
            $outline = Sketch::document(
                implode(
                    ', ',
                    array_map(static fn(int $level, int $nth): string => "$level s$nth", $levels, array_keys($levels)),
                ),
            )->outline;
            $own = array_map(static fn(): int => $random->getInt(0, 99), $levels);

            self::assertSame(
                array_map(
                    static fn(int $position): int => array_sum(
                        array_slice($own, $position, $outline->branchEnd($position) - $position),
                    ),
                    array_keys($own),
                ),
                (new OutlineWalk($outline))->rolledUp($own),
            );
        }
    }

    public function testSiblingsAreFoundAcrossSkippedLevels(): void
    {
        $outline = Sketch::document('1 a, 3 b, 4 c, 3 d, 2 e')->outline;

        self::assertSame(3, $outline->findPreviousSibling(4));
        self::assertSame(1, $outline->findPreviousSibling(3));
        self::assertNull($outline->findPreviousSibling(1));
        self::assertSame(3, $outline->findNextSibling(1));
    }

    public function testAnIdAstrideTwoNeighboursIsNotTakenForOne(): void
    {
        $outline = Outline::packed('aaaaaaaaaaabaaaaaaaaaaac', '11', '00');

        self::assertNull($outline->findPosition(Sketch::id('aaaaaaaaaaba')));
        self::assertSame(1, $outline->findPosition(Sketch::id('aaaaaaaaaaac')));
    }

    public function testASecondOpeningCannotExist(): void
    {
        $this->expectException(InvalidOutline::class);

        Outline::packed('aaaaaaaaaaabaaaaaaaaaaac', '10', '00');
    }

    public function testAMovedBranchIsToldByWhatMovedHoweverFar(): void
    {
        $before = Sketch::document('1 a, 1 b, 2 c, 1 d, 1 e, 1 f')->outline;
        $after = Sketch::document('1 a, 1 d, 1 e, 1 f, 1 b, 2 c')->outline;
        $edits = OutlineEdit::between($before, $after);

        self::assertSame([2, 2], [$edits[0]->removed->count(), $edits[1]->inserted->count()]);
        self::assertTrue($edits[1]->appliedTo($edits[0]->appliedTo($before))->equals($after));
    }
}
