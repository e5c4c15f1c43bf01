<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

enum RefusalReason: string
{
    case UnknownSection = 'unknown-section';
    case NothingPicked = 'nothing-picked';
    case OpeningIsFixed = 'opening-is-fixed';
    case LevelOutOfRange = 'level-out-of-range';
    case IntoItself = 'into-itself';
    /** No sibling above or below to move past or to join with. */
    case NoNeighbour = 'no-neighbour';
    case PositionOutside = 'position-outside';
    case NameTaken = 'name-taken';
    /** Two windows changed the same words, each in its own way. */
    case SameWords = 'same-words';
    case OutOfRange = 'out-of-range';
}
