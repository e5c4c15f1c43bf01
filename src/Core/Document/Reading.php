<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Text\Body;

/** What is read from a whole document, and need not be read again after every change. */
enum Reading: string
{
    /** Bookmarks, and links within the document. */
    case Places = 'places';
    /** What the structure check reports. */
    case Findings = 'findings';
    case Offcuts = 'offcuts';
    /** How kinds of text look. */
    case StyleSheet = 'style-sheet';

    /** @return list<self> those that a change may have made untrue */
    public static function outdatedBy(Change $change): array
    {
        $hasOtherOutline = [] !== $change->outlineEdits;
        $hasOtherPlaces = $hasOtherOutline || [] !== $change->offcuts;
        $hasOtherFindings = $hasOtherPlaces || null !== $change->titleBlock || null !== $change->setup;
        foreach ($change->sections as [$before, $after]) {
            $hasOtherPlaces = $hasOtherPlaces || self::references($before) != self::references($after);
            $hasOtherFindings =
                $hasOtherFindings || $hasOtherPlaces || self::seenByCheck($before) !== self::seenByCheck($after);
        }

        return [
            ...$hasOtherPlaces ? [self::Places] : [],
            ...$hasOtherFindings ? [self::Findings] : [],
            ...[] !== $change->offcuts ? [self::Offcuts] : [],
            ...null !== $change->setup ? [self::StyleSheet] : [],
        ];
    }

    private static function references(?Section $section): ?References
    {
        return null === $section ? null : References::in($section);
    }

    /** @return array{string, bool} what the check sees of a section besides its links: its heading, and whether it has a text */
    private static function seenByCheck(?Section $section): array
    {
        return [$section?->heading->plainText() ?? '', ($section->body ?? Body::empty())->isEmpty()];
    }
}
