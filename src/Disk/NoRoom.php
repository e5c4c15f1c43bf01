<?php

declare(strict_types=1);

namespace Stemmata\Disk;

/** The folder for temporary files is full, or cannot be written. */
final class NoRoom extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct(
            'There is no room for temporary files. Nothing was changed; make room on the disk and try again.',
        );
    }
}
