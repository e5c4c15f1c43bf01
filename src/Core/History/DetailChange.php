<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

/**
 * One thing that the writer noted about a section and has noted differently since; empty words where nothing was noted.
 */
final readonly class DetailChange
{
    public function __construct(public SectionDetail $what, public string $then, public string $now) {}
}
