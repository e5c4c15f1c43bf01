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

    /** @param string $said “0.5pt #8a948e”; anything else is no rule */
    public static function find(string $said): ?self
    {
        $parts = explode(' ', $said);

        return isset($parts[1]) ? new self((float) $parts[0], $parts[1]) : null;
    }
}
