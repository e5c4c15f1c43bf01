<?php

declare(strict_types=1);

namespace Stemmata\Http;

use Stemmata\Core\Document;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\OutlineEdit;
use Stemmata\Http\View\Rehearsal;

/** Words what an operation would do, from the operation itself: asking and acting go by one rule. */
final class RehearsalOf
{
    public static function operation(Document $document, Operation $operation): Rehearsal
    {
        $outcome = $operation->applyTo($document);
        if ($outcome instanceof Refused) {
            return new Rehearsal(false, $outcome->sentence);
        }
        $edits = OutlineEdit::between($document->outline, $outcome->document->outline);
        $edit = end($edits);
        if (false === $edit || 0 === $edit->inserted->count()) {
            return new Rehearsal(true, 'Nothing would change.');
        }

        return new Rehearsal(true, self::sentence($outcome->document, $edit));
    }

    private static function sentence(Document $after, OutlineEdit $edit): string
    {
        $outline = $after->outline;
        $numbers = $after->numbers();
        $parent = $outline->findParent($edit->at);

        return trim(sprintf(
            '%s level %d, %s',
            '' === $numbers[$edit->at] ? 'without a number,' : 'becomes '.$numbers[$edit->at].',',
            $outline->levelAt($edit->at)->value,
            null === $parent ? 'at the top' : 'under '.$after->nameAt($parent),
        ));
    }
}
