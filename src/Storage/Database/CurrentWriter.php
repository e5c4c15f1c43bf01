<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

use Stemmata\Storage\Entity\Writer;

/** Whose documents these are: the one place that is asked. Who logs in at a proxy is let in to the same desk. */
final readonly class CurrentWriter
{
    public function id(): string
    {
        return Writer::LOCAL;
    }
}
