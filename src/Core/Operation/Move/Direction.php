<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Move;

enum Direction: string
{
    case Up = 'up';
    case Down = 'down';
}
