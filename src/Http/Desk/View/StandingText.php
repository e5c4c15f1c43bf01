<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk\View;

use OpenApi\Attributes as OA;

/** Text that is kept to be put into documents. */
#[OA\Schema]
final readonly class StandingText
{
    /** @param list<string> $sections */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property] public int $words,
        #[
            OA\Property(description: 'Whether it is words without a heading, which go into a text'),
        ]
        public bool $isPassage,
        #[OA\Property(items: new OA\Items(type: 'string'))] public array $sections,
        #[OA\Property] public int $revision,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $changedAt,
    ) {}
}
