<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

/** One thing that the writer noted about a section and has noted differently since; empty words where nothing was noted. */
final readonly class NotedAnew
{
    public function __construct(public Noted $what, public string $then, public string $now)
    {
    }
}
