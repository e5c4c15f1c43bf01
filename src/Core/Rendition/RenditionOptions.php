<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

/** How a document is to be written. */
final readonly class RenditionOptions
{
    /** @param bool $keepsNumbers whether a branch keeps the numbers that it has in the whole document */
    public function __construct(public bool $keepsNumbers = true) {}
}
