<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/** What of a section can be looked through. */
enum Field: string
{
    case Heading = 'heading';
    case Text = 'text';
    case Note = 'note';
    case Caption = 'caption';
    /** What the section is to do; it stands beside the text. */
    case Aim = 'aim';
}
