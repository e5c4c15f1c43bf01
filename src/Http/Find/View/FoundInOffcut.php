<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;

/** How many places were found in what was cut at one time. */
#[OA\Schema(schema: 'FoundInOffcut')]
final readonly class FoundInOffcut
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public int $count,
    ) {}
}
