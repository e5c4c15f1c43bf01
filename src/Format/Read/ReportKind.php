<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

enum ReportKind: string
{
    case Kept = 'kept';
    /** Says the same in another way. */
    case Changed = 'changed';
    /** Could not be kept. */
    case Lost = 'lost';
    /** The reader was not sure; the writer should look. */
    case Doubt = 'doubt';
}
