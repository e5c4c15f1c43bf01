<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

/** Why there is no result, in one sentence. */
final readonly class Unsolved
{
    public function __construct(public string $sentence) {}
}
