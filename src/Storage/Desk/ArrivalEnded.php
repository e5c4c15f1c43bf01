<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Stemmata\Core\CoreException;

/** A document that was on its way to the desk was taken for one whose server had ended, as after a clock is set forward. */
final class ArrivalEnded extends \RuntimeException implements CoreException
{
    public function __construct(\Throwable $previous)
    {
        parent::__construct(
            'This took so long, by the clock of this machine, that it was given up; nothing of it is on the desk. Try again.',
            previous: $previous,
        );
    }
}
