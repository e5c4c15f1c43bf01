<?php

declare(strict_types=1);

namespace Stemmata\Http\Counting\View;

use OpenApi\Attributes as OA;

/** What a day brought. */
#[OA\Schema]
final readonly class WritingDay
{
    public function __construct(
        #[OA\Property(description: 'As “2026-11-29”')] public string $day,
        #[OA\Property(description: 'Words more; fewer when below 0')] public int $words,
    ) {}
}
