<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Outline\SectionId;

final class BasisTest extends TestCase
{
    public function testWhatIsDoneTogetherRestsOnAllThatItsPartsRestOn(): void
    {
        [$a, $b] = [SectionId::fromString('n00000000001'), SectionId::fromString('n00000000002')];
        foreach ([[Basis::outline($a), Basis::text($b)], [Basis::text($a), Basis::outline($b)]] as [$one, $other]) {
            $both = $one->and($other);
            self::assertTrue($both->outline);
            self::assertFalse($both->everything);
            self::assertSame([$a, $b], $both->texts);
        }
        self::assertFalse(Basis::text($a)->and(Basis::nothing())->outline);
        self::assertTrue(Basis::everything()->and(Basis::nothing())->everything);
        self::assertTrue(Basis::nothing()->and(Basis::everything())->everything);
    }
}
