<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Page;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Page\RunningField;
use Stemmata\Core\Page\RunningLine;

/** A header or a footer of three places. */
final class RunningLineTest extends TestCase
{
    public function testIsEmptyOnlyWhenNothingStandsAnywhere(): void
    {
        self::assertTrue((new RunningLine())->isEmpty());
        self::assertFalse((new RunningLine(['a']))->isEmpty());
        self::assertFalse((new RunningLine(middle: ['a']))->isEmpty());
        self::assertFalse((new RunningLine(end: [RunningField::Page]))->isEmpty());
    }

    public function testOnALeftHandPageItIsTheOtherWayRound(): void
    {
        self::assertEquals(new RunningLine(['c'], ['b'], ['a']), (new RunningLine(['a'], ['b'], ['c']))->mirrored());
    }
}
