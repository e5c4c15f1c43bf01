<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** Whether words are broken at the ends of lines, by the rules of their language. */
enum Hyphenation: string
{
    case Yes = 'yes';
    case No = 'no';
    /** Where lines are justified, and only there. */
    case Justified = 'justified';
}
