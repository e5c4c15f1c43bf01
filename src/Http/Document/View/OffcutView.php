<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** Something cut out and kept. */
#[OA\Schema(schema: 'Offcut')]
final readonly class OffcutView
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $reason,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $cutAt,
        #[OA\Property] public int $sections,
        #[OA\Property] public int $words,
        #[OA\Property(description: 'The first words of its text')] public string $opening,
        #[
            OA\Property(description: 'Whether it is a passage of a section’s text rather than sections'),
        ]
        public bool $passage,
        #[
            OA\Property(
                description: 'The heading that it stood behind, or in when it is a passage; null when it stood first',
            ),
        ]
        public ?string $from,
    ) {}
}
