<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;

/** What was found in one of the documents on the desk: how many places, and where in its first sections. */
#[OA\Schema(schema: 'FoundOnDesk')]
final readonly class FoundOnDesk
{
    /** @param list<FirstPlace> $first */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property(description: 'How many places; none when only the title has the words')] public int $count,
        #[OA\Property(description: 'Whether there are more, which were not counted')] public bool $isMore,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FirstPlace'))] public array $first,
    ) {}
}
