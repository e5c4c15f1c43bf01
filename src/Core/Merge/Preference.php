<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

/** What stands where both sides changed the same words. */
enum Preference: string
{
    /** Nothing yet: the writer is asked. */
    case Ask = 'ask';
    case Mine = 'mine';
    case Theirs = 'theirs';
    /** Theirs, and then mine: paragraphs one after the other, words of one line with a blank between. */
    case Both = 'both';
}
