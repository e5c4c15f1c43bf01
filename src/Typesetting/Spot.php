<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

/** Where a place stands in the pages. */
final readonly class Spot
{
    /**
     * @param int    $sheet from 1 on, as the sheets of the file are counted
     * @param string $label what is printed on it, such as “iv” or “12”
     * @param float  $down  points from the upper edge of the page
     */
    public function __construct(public int $sheet, public string $label, public float $down) {}
}
