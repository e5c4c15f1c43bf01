<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View\Place;

use OpenApi\Attributes as OA;

/** A link from one section's text to a section or bookmark. */
#[OA\Schema]
final readonly class InnerLink
{
    public function __construct(
        #[OA\Property] public string $section,
        #[OA\Property] public string $target,
        #[OA\Property] public string $words,
        #[OA\Property] public bool $broken,
    ) {}
}
