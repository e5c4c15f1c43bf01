<?php

declare(strict_types=1);

namespace Stemmata\Http\View;

use OpenApi\Attributes as OA;

/** What became of one section. */
#[OA\Schema(schema: 'Difference')]
final readonly class DifferenceView
{
    /** @param list<string> $kinds */
    public function __construct(
        #[OA\Property]
        public string $section,
        #[OA\Property]
        public string $heading,
        #[OA\Property(items: new OA\Items(type: 'string', enum: ['new', 'gone', 'moved', 'promoted', 'demoted', 'renamed', 'reworded', 'aim', 'target', 'marker', 'numbering', 'contents']))]
        public array $kinds,
    ) {
    }
}
