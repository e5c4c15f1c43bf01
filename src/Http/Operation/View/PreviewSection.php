<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation\View;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PreviewSection
{
    public function __construct(
        #[OA\Property] public int $level,
        #[OA\Property] public string $number,
        #[OA\Property(description: 'What it is called: its heading, or what stands for one')] public string $name,
        #[OA\Property(description: 'Whether the operation makes it')] public bool $isNew,
        #[
            OA\Property(description: 'Told for sections that the operation makes or changes', nullable: true),
        ]
        public ?int $words,
        #[OA\Property(description: 'How its text begins; told for the same sections')] public string $begins,
    ) {}
}
