<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

/** What contents are made of. */
enum ContentsOf: string
{
    case Headings = 'headings';
    /** The captions of pictures: a list of illustrations. */
    case Figures = 'figures';
    /** The captions of tables. */
    case Tables = 'tables';
}
