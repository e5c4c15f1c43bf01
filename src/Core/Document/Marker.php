<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

/** A small sign on a section, told apart by shape as well as by colour. What each stands for is the writer's to say. */
enum Marker: string
{
    case None = '';
    case Bud = 'bud';
    case Leaf = 'leaf';
    case Thorn = 'thorn';
    case Berry = 'berry';
    case Frost = 'frost';
}
