<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

use Stemmata\Core\CoreException;

final class InvalidOutline extends \InvalidArgumentException implements CoreException
{
    public static function columnsDiffer(): self
    {
        return new self('An outline needs one level and one set of flags for each section.');
    }

    public static function openingNotFirst(): self
    {
        return new self('Only the first section can be the opening.');
    }
}
