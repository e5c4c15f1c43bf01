<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

/** Where a section comes to stand, as seen from another one. It takes the level of that place. */
enum Landing: string
{
    case Before = 'before';
    /** After the other's whole branch. */
    case After = 'after';
    /** At the end of the other's branch, one level below it. */
    case Inside = 'inside';
}
