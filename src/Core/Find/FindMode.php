<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/** How the words that are looked for are meant. */
enum FindMode: string
{
    /** Each of them, in any order, in one line. */
    case Words = 'words';
    /** Exactly so, one after the other. */
    case Phrase = 'phrase';
    /** A regular expression, as PHP’s PCRE reads it. */
    case Pattern = 'pattern';
}
