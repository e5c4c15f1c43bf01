<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk\View;

use OpenApi\Attributes as OA;

/** A new document. */
#[OA\Schema]
final readonly class Created
{
    public function __construct(#[OA\Property] public string $id) {}
}
