<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

/** What a header or a footer can hold besides words; filled in on each page. */
enum RunningField: string
{
    case Title = 'title';
    case Author = 'author';
    case Date = 'date';
    case Page = 'page';
    /** The last number of the pages that are numbered alike: of the roman ones before the body, or of the body. */
    case Pages = 'pages';
    /** How many pages there are, whatever is printed on them. */
    case Sheets = 'sheets';
    /** The heading of level 1 that the page belongs to, and so on; it names the last one begun on the page or before. */
    case Heading1 = 'heading1';
    case Heading2 = 'heading2';
    case Heading3 = 'heading3';

    public function level(): ?int
    {
        return match ($this) {
            self::Heading1 => 1,
            self::Heading2 => 2,
            self::Heading3 => 3,
            default => null,
        };
    }
}
