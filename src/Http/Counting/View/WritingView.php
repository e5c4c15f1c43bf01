<?php

declare(strict_types=1);

namespace Stemmata\Http\Counting\View;

use OpenApi\Attributes as OA;

/** How a document grows, and what is planned. */
#[OA\Schema(schema: 'Writing')]
final readonly class WritingView
{
    /** @param list<WritingDay> $days */
    public function __construct(
        #[OA\Property] public int $words,
        #[OA\Property] public ?int $target,
        #[OA\Property(description: 'What this sitting brought')] public int $sittingWords,
        #[OA\Property] public ?int $sittingGoal,
        #[OA\Property(description: 'As “2026-11-29”')] public ?string $deadline,
        #[OA\Property(description: 'With today and the last; 0 when it is past')] public ?int $daysLeft,
        #[
            OA\Property(description: 'Words that each of them must bring; null when none need be'),
        ]
        public ?int $wordsADay,
        #[OA\Property(description: 'As “2026-11-29”')] public string $today,
        #[OA\Property(items: new OA\Items(ref: WritingDay::class))] public array $days,
    ) {}
}
