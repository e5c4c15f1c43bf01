<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

/** How often a property is tried: often enough to meet most faults in bin/test, in full in bin/soak. */
final class Dose
{
    public static function of(int $full, int $short): int
    {
        return false === getenv('STEMMATA_FULL') ? $short : $full;
    }
}
