<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

/** What becomes of a heading when its section is joined with the one above. */
enum HeadingAfterJoin: string
{
    case Paragraph = 'paragraph';
    /** It leaves the text and is kept among the offcuts. */
    case Offcut = 'offcut';
}
