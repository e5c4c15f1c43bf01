<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;

/** Ids in a row, so that a failing run can be read and repeated. */
final class CountingIds implements IdSource
{
    public function __construct(private int $last = 0) {}

    public function next(): SectionId
    {
        return SectionId::fromString(sprintf('n%011d', ++$this->last));
    }
}
