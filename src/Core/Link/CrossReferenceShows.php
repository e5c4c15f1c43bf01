<?php

declare(strict_types=1);

namespace Stemmata\Core\Link;

/** What a cross-reference says of the place it leads to; its words follow the outline by themselves. */
enum CrossReferenceShows: string
{
    /** “3.2”; the heading where there is no number. */
    case Number = 'number';
    /** “Reading the barometer”. */
    case Heading = 'heading';
    /** “3.2 Reading the barometer”. */
    case Both = 'both';
    /** “page 12”, where there are pages; elsewhere as “both”. */
    case Page = 'page';

    /** What it says when its place is not in the document any more; as the screen has it. */
    public const GONE = 'a place that is gone';

    public function words(string $number, string $heading): string
    {
        return match ($this) {
            self::Number => '' === $number ? $heading : $number,
            self::Heading => $heading,
            self::Both, self::Page => trim($number . ' ' . $heading),
        };
    }
}
