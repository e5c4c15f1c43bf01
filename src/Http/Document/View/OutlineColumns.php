<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/**
 * The outline, packed: ids in order, and for each one digit of level and one hexadecimal digit of flags (1 unnumbered,
 * 2 left out of the contents).
 */
#[OA\Schema]
final readonly class OutlineColumns
{
    /** @param list<string> $ids */
    public function __construct(
        #[OA\Property(items: new OA\Items(type: 'string'))] public array $ids,
        #[OA\Property] public string $levels,
        #[OA\Property] public string $flags,
    ) {}
}
