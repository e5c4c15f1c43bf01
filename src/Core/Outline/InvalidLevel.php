<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

use Stemmata\Core\CoreException;

final class InvalidLevel extends \InvalidArgumentException implements CoreException
{
    public static function outOfRange(int $value): self
    {
        return new self(sprintf('Level %d is not allowed: a heading lies between 1 and 9.', $value));
    }
}
