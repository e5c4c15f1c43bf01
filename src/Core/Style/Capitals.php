<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How small letters are shown, whatever was typed. */
enum Capitals: string
{
    case None = 'none';
    /** Capitals of the height of small letters in place of these. */
    case Small = 'small';
    case All = 'all';
}
