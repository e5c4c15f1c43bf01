<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View\Place;

use OpenApi\Attributes as OA;

/** A named place. */
#[OA\Schema]
final readonly class Bookmark
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $section,
    ) {}
}
