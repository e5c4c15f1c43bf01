<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;

/** An opening from which the last words were taken has done its work and goes, unless something links to it. */
final class SpentOpening
{
    /** @param Section $kept what is left of the section at the position */
    public static function is(Document $document, int $position, Section $kept): bool
    {
        return $document->outline->levelAt($position)->isOpening() &&
            $kept == Section::blank($kept->id) &&
            !$document->isLinkedTo($kept->id);
    }
}
