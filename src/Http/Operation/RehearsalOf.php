<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Move\MoveBranch;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Operation\View\Rehearsal;

/** Words what a move would do, from the move itself: asking and acting go by one rule. */
final class RehearsalOf
{
    public static function move(Document $document, MoveBranch $move): Rehearsal
    {
        $outcome = $move->applyTo($document);
        if ($outcome instanceof Refused) {
            return new Rehearsal(false, $outcome->sentence);
        }
        $heads = $move->heads($document);
        if ([] === $heads || $outcome->document->outline->equals($document->outline)) {
            return new Rehearsal(true, 'Nothing would change.');
        }

        return new Rehearsal(true, self::sentence($outcome->document, $heads));
    }

    /** @param non-empty-list<SectionId> $heads in their order, all at one level after the move */
    private static function sentence(Document $after, array $heads): string
    {
        $numbers = $after->numbers();
        $first = $after->outline->positionOf($heads[0]);
        $from = $numbers[$first];
        $to = $numbers[$after->outline->positionOf($heads[count($heads) - 1])];
        $parent = $after->outline->findParent($first);
        $become = match (true) {
            '' === $from || '' === $to => 'without a number,',
            1 === count($heads) => "becomes $from,",
            default => "become $from to $to,",
        };

        return sprintf(
            '%s level %d, %s',
            $become,
            $after->outline->levelAt($first)->value,
            null === $parent ? 'at the top' : 'under ' . $after->nameAt($parent),
        );
    }
}
