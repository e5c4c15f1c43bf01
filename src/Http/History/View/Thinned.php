<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;

/** What became of a history when its old steps were put together. */
#[OA\Schema]
final readonly class Thinned
{
    public function __construct(#[OA\Property(description: 'How many steps fewer there are')] public int $fewer) {}
}
