<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Counting;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\Targets;
use Stemmata\Tests\Support\Sketch;

final class TargetsTest extends TestCase
{
    public function testATenthMoreIsStillOnTargetAndASectionWithoutOneIsNeverOver(): void
    {
        $outline = Sketch::document('1 a, 2 b, 2 c, 1 d')->outline;
        $id = static fn(string $heading): string => Sketch::id($heading)->value;

        self::assertSame(
            [$id('a'), $id('c')],
            Targets::exceeded($outline, [331, 110, 111, 9000], [$id('a') => 300, $id('b') => 100, $id('c') => 100]),
        );
        self::assertSame([], Targets::exceeded($outline, [331, 110, 111, 9000], []));
    }
}
