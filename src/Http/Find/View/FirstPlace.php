<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;

/** The first place that was found in a section. */
#[OA\Schema(schema: 'FirstPlace')]
final readonly class FirstPlace
{
    public function __construct(
        #[OA\Property] public string $section,
        #[OA\Property(description: 'What the section is called')] public string $name,
        #[OA\Property(ref: '#/components/schemas/FoundPlace')] public FoundPlace $place,
    ) {}
}
