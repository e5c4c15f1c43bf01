<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn\View;

use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'LikelyHeading')]
final readonly class LikelyHeadingView
{
    /** @param list<string> $reasons */
    public function __construct(
        #[OA\Property] public string $section,
        #[OA\Property(description: 'Its place among the blocks of the section’s body, from 0')] public int $block,
        #[OA\Property] public string $text,
        #[OA\Property(description: '0 for a line that looks like the title')] public int $level,
        #[OA\Property(type: 'number')] public float $confidence,
        #[OA\Property(items: new OA\Items(type: 'string'))] public array $reasons,
    ) {}
}
