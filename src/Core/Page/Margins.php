<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

/** The empty edges of a page, in millimetres; inner and outer are left and right where pages have one side. */
final readonly class Margins
{
    public const LEAST = 5.0;
    public const MOST = 80.0;

    public function __construct(public float $top, public float $bottom, public float $inner, public float $outer) {}

    public function areSound(): bool
    {
        return min($this->top, $this->bottom, $this->inner, $this->outer) >= self::LEAST &&
            max($this->top, $this->bottom, $this->inner, $this->outer) <= self::MOST;
    }
}
