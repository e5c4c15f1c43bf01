<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

use Stemmata\Core\Page\PageSetup;

/** How wide the lines of a page are. */
final class Measure
{
    /** Points in a millimetre. */
    private const MILLIMETRE = 72 / 25.4;

    /** Letters in a line, blanks too, about. */
    public static function letters(PageSetup $pages, TextStyle $style): int
    {
        [$width] = $pages->paper->size();
        $room =
            ($width - $pages->margins->inner - $pages->margins->outer) * self::MILLIMETRE -
            $style->indentStart -
            $style->indentEnd;

        return (int) round($room / ($style->size * $style->face->letterWidth() + $style->letterSpacing));
    }
}
