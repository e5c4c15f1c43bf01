<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

enum DifferenceKind: string
{
    case Added = 'new';
    case Gone = 'gone';
    case Moved = 'moved';
    case Promoted = 'promoted';
    case Demoted = 'demoted';
    case Renamed = 'renamed';
    case Reworded = 'reworded';
}
