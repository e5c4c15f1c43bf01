<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

/** The result in words to be shown: an integer, an exact decimal, or a fraction with its rounded decimal after “≈”. */
final readonly class Solved
{
    public function __construct(public string $result) {}
}
