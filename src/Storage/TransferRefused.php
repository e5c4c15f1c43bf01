<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Stemmata\Core\Operation\Refused;

/** Takes back what a transfer has written already when its second half cannot be done. */
final class TransferRefused extends \RuntimeException
{
    public function __construct(public readonly Refused|Stale $outcome)
    {
        parent::__construct($outcome->sentence);
    }
}
