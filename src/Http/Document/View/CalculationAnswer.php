<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class CalculationAnswer
{
    public function __construct(
        #[OA\Property(nullable: true)] public ?string $result,
        #[OA\Property(description: 'Why there is no result', nullable: true)] public ?string $problem,
    ) {}
}
