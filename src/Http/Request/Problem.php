<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use OpenApi\Attributes as OA;

/** An error after RFC 9457: what happened in one plain sentence, and a reason a program can branch on. */
#[OA\Schema]
final readonly class Problem
{
    public function __construct(
        #[OA\Property] public string $type,
        #[OA\Property] public string $title,
        #[OA\Property] public int $status,
        #[OA\Property] public string $detail,
        #[OA\Property] public string $reason,
    ) {}
}
