<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** What a cross-reference to a picture or a table says. */
#[OA\Schema]
final readonly class NamedCaption
{
    public function __construct(
        #[OA\Property(description: 'Such as “Figure 3”; empty without a number')] public string $label,
        #[OA\Property] public string $words,
    ) {}
}
