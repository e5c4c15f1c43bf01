<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Text;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Direction;

/** UAX #9 (Unicode Bidirectional Algorithm), rules P2 and P3: the first strong letter tells. */
final class DirectionTest extends TestCase
{
    #[TestWith(['שלום', true])]
    #[TestWith(['1881: العاصفة', true])]
    #[TestWith(['“ދިވެހި”', true])]
    #[TestWith(['Hello שלום', false])]
    #[TestWith(['灯台', false])]
    #[TestWith(['1881', false])]
    #[TestWith(['', false])]
    public function testTheFirstLetterTells(string $line, bool $isRightToLeft): void
    {
        self::assertSame($isRightToLeft, Direction::isRightToLeft($line));
    }
}
