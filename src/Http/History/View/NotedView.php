<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\History\DetailChange;

/** What was noted about a section then, and what is noted now. */
#[OA\Schema(schema: 'SectionDetail')]
final readonly class NotedView
{
    private function __construct(
        #[OA\Property(enum: ['aim', 'target', 'marker', 'stage', 'look', 'numbering', 'contents'])] public string $what,
        #[OA\Property(description: 'Empty for nothing')] public string $then,
        #[OA\Property(description: 'Empty for nothing')] public string $now,
    ) {}

    public static function of(DetailChange $noted): self
    {
        return new self($noted->what->value, $noted->then, $noted->now);
    }
}
