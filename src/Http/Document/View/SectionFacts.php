<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Stage;

/** What lists show of a section. Words are those under the heading itself. */
#[OA\Schema]
final readonly class SectionFacts
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $heading,
        #[OA\Property] public int $words,
        #[OA\Property] public string $aim,
        #[OA\Property] public ?int $target,
        #[OA\Property] public string $marker,
        #[OA\Property(enum: Stage::class)] public string $stage,
        #[OA\Property(description: 'What is said by hand of the look of the heading.')] public string $shape,
        #[OA\Property] public int $revision,
    ) {}
}
