<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\SectionId;

/** A section that was cut and is pasted again leaves the offcut that it lay in; one that held nothing else goes. */
final class FromOffcuts
{
    public static function taken(Document $document, SectionId $id): Document
    {
        $offcut = $document->findOffcutHolding($id);
        $place = $offcut?->outline->findPosition($id);
        if (null === $offcut || null === $place) {
            return $document;
        }
        $left = $offcut->outline->without($place, $place + 1);

        return 0 === $left->count()
            ? $document->withoutOffcut($offcut->id)
            : $document->withOffcut(
                $offcut->withOutline($left)->withName($document->section($left->idAt(0))->heading->plainText()),
            );
    }
}
