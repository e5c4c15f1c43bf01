<?php

declare(strict_types=1);

namespace Stemmata\Http\Style\View;

use OpenApi\Attributes as OA;

/** How often a kind of text is there, and where first. */
#[OA\Schema]
final readonly class KindUseView
{
    public function __construct(
        #[OA\Property] public string $kind,
        #[OA\Property] public int $count,
        #[OA\Property(description: 'The first section that has it')] public string $section,
        #[OA\Property(description: 'Its first words')] public string $words,
    ) {}
}
