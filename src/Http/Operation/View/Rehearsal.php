<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation\View;

use OpenApi\Attributes as OA;

/** What an operation would do: whether it can be done, and the numbers and level of what it touches. */
#[OA\Schema]
final readonly class Rehearsal
{
    public function __construct(
        #[OA\Property] public bool $possible,
        #[OA\Property(description: 'Why not, or what it would bring about')] public string $sentence,
    ) {}
}
