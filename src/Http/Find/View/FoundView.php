<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;

/** What was found, by section in the order of the document. */
#[OA\Schema(schema: 'Found')]
final readonly class FoundView
{
    /**
     * @param list<FoundInSection> $sections
     * @param list<FoundInOffcut>  $offcuts
     */
    public function __construct(
        #[OA\Property(description: 'How many places')] public int $count,
        #[OA\Property(description: 'Whether there are more, which are not told')] public bool $isMore,
        #[OA\Property(description: 'Whether what was found can be replaced')] public bool $isReplaceable,
        #[
            OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundInSection')),
        ]
        public array $sections,
        #[
            OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundInOffcut')),
        ]
        public array $offcuts,
    ) {}
}
