<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk\View;

use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'StarterPart')]
final readonly class StarterPartView
{
    public function __construct(
        #[OA\Property] public int $level,
        #[OA\Property] public string $number,
        #[OA\Property] public string $heading,
        #[OA\Property] public string $aim,
        #[OA\Property(nullable: true)] public ?int $target,
        #[OA\Property] public bool $isRequired,
    ) {}
}
