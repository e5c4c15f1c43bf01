<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\SectionId;

/** Finds the sections whose contents block no longer says what the outline says. */
final class StaleContents
{
    /** @return list<SectionId> */
    public static function in(Document $document): array
    {
        return array_values(
            array_filter($document->contentsHolders(), static fn(SectionId $id): bool => self::isStale($document, $id)),
        );
    }

    private static function isStale(Document $document, SectionId $id): bool
    {
        foreach ($document->section($id)->body->walk() as $node) {
            if ('contents' === $node->type && !ContentsLines::isCurrent($document, $node)) {
                return true;
            }
        }

        return false;
    }
}
