<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

enum OffcutReason: string
{
    /** The writer deleted it. */
    case Deleted = 'deleted';
    /** The writer set it aside for later. */
    case SetAside = 'set-aside';
    /** It went to another document; here it is kept as it was. */
    case MovedAway = 'moved-away';
    /** It is no offcut yet: a thought beside the text, or words that wait for their place. */
    case Idea = 'idea';
}
