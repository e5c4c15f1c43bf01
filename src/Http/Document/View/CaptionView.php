<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** The caption of a picture or a table. */
#[OA\Schema]
final readonly class CaptionView
{
    /** @param list<string> $bookmarks */
    public function __construct(
        #[OA\Property] public string $section,
        #[OA\Property(description: 'Which of the pictures and tables of its section, from 0 on')] public int $index,
        #[OA\Property(enum: ['figure', 'table'])] public string $kind,
        #[OA\Property(description: 'Such as “Figure 3”; empty without a number')] public string $label,
        #[OA\Property] public string $words,
        #[
            OA\Property(description: 'Ids of the bookmarks in it', items: new OA\Items(type: 'string')),
        ]
        public array $bookmarks,
    ) {}
}
