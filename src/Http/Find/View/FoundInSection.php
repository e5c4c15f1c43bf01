<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;

/** The places that were found in one section, in reading order. */
#[OA\Schema(schema: 'FoundInSection')]
final readonly class FoundInSection
{
    /** @param list<FoundPlace> $places */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $revision,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundPlace'))] public array $places,
    ) {}
}
