<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** One step of a change to the outline: at a position, so many sections go and these come. */
#[OA\Schema]
final readonly class OrderEdit
{
    public function __construct(
        #[OA\Property] public int $at,
        #[OA\Property] public int $removed,
        #[OA\Property] public OutlineColumns $inserted,
    ) {}
}
