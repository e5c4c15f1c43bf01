<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Refused;

/** A bookmark's name belongs to one place in the document, be it in the text or among the offcuts. */
final class TakenBookmark
{
    public static function findIn(Document $document, Section $section): ?Refused
    {
        $names = References::in($section)->bookmarks;
        $held = [] === $names ? [] : References::in($document->section($section->id))->bookmarks;
        foreach (array_count_values($names) as $name => $count) {
            $name = (string) $name;
            if ($count > 1) {
                return Refused::bookmarkTaken($name, self::place($document, $section));
            }
            $owner = in_array($name, $held, true) ? null : $document->findBookmarkOwner($name);
            if (null !== $owner) {
                return Refused::bookmarkTaken($name, self::place($document, $document->section($owner)));
            }
        }

        return null;
    }

    private static function place(Document $document, Section $owner): string
    {
        $position = $document->outline->findPosition($owner->id);

        return null === $position ? 'the offcuts' : $document->nameAt($position);
    }
}
