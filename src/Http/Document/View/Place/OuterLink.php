<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View\Place;

use OpenApi\Attributes as OA;

/** A link from one section's text to a page of the web, an address of mail or a file; the first to it there. */
#[OA\Schema]
final readonly class OuterLink
{
    public function __construct(
        #[OA\Property] public string $section,
        #[OA\Property] public string $address,
        #[OA\Property] public string $words,
    ) {}
}
