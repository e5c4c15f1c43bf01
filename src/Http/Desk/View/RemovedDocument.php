<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk\View;

use OpenApi\Attributes as OA;

/** A document that was taken off the desk. */
#[OA\Schema]
final readonly class RemovedDocument
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $removedAt,
        #[OA\Property] public int $words,
    ) {}
}
