<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation\View;

use OpenApi\Attributes as OA;

/** The outline as an operation would leave it; nothing is stored. */
#[OA\Schema]
final readonly class Preview
{
    /** @param list<PreviewSection> $sections */
    public function __construct(
        #[OA\Property] public bool $possible,
        #[OA\Property(description: 'Why not; empty when it can be done')] public string $sentence,
        #[OA\Property(items: new OA\Items(ref: PreviewSection::class))] public array $sections,
    ) {}
}
