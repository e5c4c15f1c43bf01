<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

#[OA\Schema(required: ['src'])]
final readonly class KeptPicture
{
    public function __construct(
        /** What a text names it by. */
        #[OA\Property] public string $src,
    ) {}
}
