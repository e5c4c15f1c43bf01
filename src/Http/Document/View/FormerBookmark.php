<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** A bookmark that is gone. */
#[OA\Schema]
final readonly class FormerBookmark
{
    public function __construct(
        #[OA\Property(description: 'Null when no link leads to one of that name')] public ?string $id,
    ) {}
}
