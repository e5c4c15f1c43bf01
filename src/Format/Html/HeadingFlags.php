<?php

declare(strict_types=1);

namespace Stemmata\Format\Html;

use Stemmata\Core\Outline;

/** How a written heading says that it bears no number, or is left out of the contents. */
final class HeadingFlags
{
    public static function classes(Outline $outline, int $position): string
    {
        return implode(' ', array_keys(array_filter([
            'unnumbered' => !$outline->isNumberedAt($position),
            'left-out' => !$outline->isInContentsAt($position),
        ])));
    }
}
