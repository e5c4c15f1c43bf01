<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;

/** One line of the history. */
#[OA\Schema]
final readonly class HistoryStep
{
    public function __construct(
        #[OA\Property] public int $id,
        #[
            OA\Property(description: 'The step that it followed, which names the state before it; 0 for the beginning'),
        ]
        public int $previous,
        #[OA\Property] public string $label,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $startedAt,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $madeAt,
        #[OA\Property] public bool $undone,
    ) {}
}
