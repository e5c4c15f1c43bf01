<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How numerals look. */
enum Figures: string
{
    /** As the face has them. */
    case Usual = 'usual';
    /** All of the height of capitals. */
    case Lining = 'lining';
    /** Rising and falling like small letters. */
    case OldStyle = 'old-style';
}
