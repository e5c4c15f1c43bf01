<?php

declare(strict_types=1);

namespace Stemmata\Http\Speech\View;

use OpenApi\Attributes as OA;

/** A line of the text as it is said. */
#[OA\Schema(schema: 'Utterance')]
final readonly class UtteranceView
{
    /** @param list<array{int, int, int}> $stretches */
    public function __construct(
        #[OA\Property] public string $words,
        #[OA\Property] public bool $isInHeading,
        #[
            OA\Property(
                description: 'What of it stands in the heading or the text: where in the words, where there as the editor counts, and how long',
                items: new OA\Items(type: 'array', items: new OA\Items(type: 'integer'), minItems: 3, maxItems: 3),
            ),
        ]
        public array $stretches,
    ) {}
}
