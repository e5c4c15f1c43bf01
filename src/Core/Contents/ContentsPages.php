<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

/** What a line of contents says of its page. */
enum ContentsPages: string
{
    /** The number at the end of the line, with dots that lead to it. */
    case Dotted = 'dotted';
    case Plain = 'plain';
    /** No number: a link only, as in an e-book, where pages mean nothing. */
    case None = 'none';
}
