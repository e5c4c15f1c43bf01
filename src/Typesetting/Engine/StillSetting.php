<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

use Stemmata\Core\CoreException;

/** The pages are being made, and whoever asks again for the same ones gets them. */
final class StillSetting extends \RuntimeException implements CoreException
{
    /** @param int $place in the line of documents that wait; 0 when they are at work */
    public function __construct(public readonly int $place)
    {
        parent::__construct('The pages are still being made. Ask for them again in a moment.');
    }
}
