<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How lines stand between the margins; “start” is where the language begins a line, “end” the other side. */
enum Alignment: string
{
    case Start = 'start';
    case Justified = 'justified';
    case Centred = 'centred';
    case End = 'end';
}
