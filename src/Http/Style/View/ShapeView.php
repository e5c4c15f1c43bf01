<?php

declare(strict_types=1);

namespace Stemmata\Http\Style\View;

use OpenApi\Attributes as OA;

/** What is said by hand of a look, in the form in which a text keeps it. */
#[OA\Schema]
final readonly class ShapeView
{
    public function __construct(
        #[OA\Property(description: 'As texts keep it; empty when nothing is said')] public string $shape,
        #[OA\Property(description: 'A rule for the text that is written in')] public string $css,
    ) {}
}
