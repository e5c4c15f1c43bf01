<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Move;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Picked;

/** The rule that promote, demote and set level share: runs of the outline rise or sink as a whole, or nothing does. */
final class ShiftLevel
{
    /**
     * @param \Closure(int): int $shiftAt levels down (up when negative) for the picked section at a position
     */
    public static function of(Document $document, Picked $picked, \Closure $shiftAt): Applied|Refused
    {
        $outline = $document->outline;
        if ($picked->includesOpening($outline)) {
            return Refused::openingHasNoLevel();
        }
        foreach ($picked->runs as [$from, $to]) {
            $by = $shiftAt($from);
            $shifted = $outline->slice($from, $to)->findShifted($by);
            if (null === $shifted) {
                return $by < 0
                    ? Refused::tooHigh($document->nameAt($from))
                    : Refused::tooDeep($document->nameAt($from));
            }
            $outline = $outline->spliced($from, $to, $shifted);
        }
        $after = $document->withOutline($outline);
        $heads = $picked->heads($outline);

        return new Applied($after, FallenUnder::notices($document, $after, $heads));
    }
}
