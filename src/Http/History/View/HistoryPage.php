<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;

/** A stretch of the history, by sitting, the last first. */
#[OA\Schema]
final readonly class HistoryPage
{
    /** @param list<list<HistoryStep>> $sittings */
    public function __construct(
        #[
            OA\Property(
                type: 'array',
                items: new OA\Items(type: 'array', items: new OA\Items(ref: HistoryStep::class)),
            ),
        ]
        public array $sittings,
        #[OA\Property(description: 'Whether there are steps before these')] public bool $hasEarlier,
        #[
            OA\Property(
                description: 'Steps older than so many weeks are put together, one for each day; null keeps every step',
                nullable: true,
            ),
        ]
        public ?int $keptWeeks,
    ) {}
}
