<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

/** What becomes of a heading when its section is joined with the one above. */
enum HeadingAfterJoin: string
{
    case Paragraph = 'paragraph';
    /** It goes on the heading above where no text stands between the two, as before Enter was pressed in it; else as a paragraph. */
    case Line = 'line';
    /** It leaves the text and is kept among the offcuts. */
    case Offcut = 'offcut';
}
