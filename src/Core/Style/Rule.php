<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** A line that is drawn above, below or around a text. */
final readonly class Rule
{
    /**
     * @param float  $width  points
     * @param string $colour as “#aa1166”
     */
    public function __construct(public float $width, public string $colour) {}
}
