<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/** Hands out ids that no section or bookmark bears yet. The core has no chance of its own, so the caller brings it. */
interface IdSource
{
    public function next(): SectionId;
}
