<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Html;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Text\Node;

/** Contents in a text file: an element that says what they are made of, for a reader to make them again. */
final class ContentsElement
{
    public static function openingTag(Node $contents): string
    {
        return sprintf(
            '<nav class="contents" data-from="%d" data-to="%d" data-numbers="%s" aria-label="%s">',
            ContentsLines::level($contents, 'from'),
            ContentsLines::level($contents, 'to'),
            true === $contents->attribute('numbers') ? 'yes' : 'no',
            htmlspecialchars($contents->textAttribute('title'), \ENT_QUOTES | \ENT_SUBSTITUTE),
        );
    }
}
