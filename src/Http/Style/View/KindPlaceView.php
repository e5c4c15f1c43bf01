<?php

declare(strict_types=1);

namespace Stemmata\Http\Style\View;

use OpenApi\Attributes as OA;

/** A place where a kind of text is. */
#[OA\Schema]
final readonly class KindPlaceView
{
    public function __construct(
        #[OA\Property] public string $section,
        #[OA\Property(description: 'The editor’s position in the heading, or in the text')] public int $from,
        #[OA\Property] public int $to,
        #[OA\Property] public bool $isInHeading,
        #[OA\Property(description: 'Its first words')] public string $words,
    ) {}
}
