<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;

/** Pages that are still being made. */
#[OA\Schema]
final readonly class PagesWaitView
{
    public function __construct(
        #[
            OA\Property(description: 'Place in the line of documents that wait for theirs; 0 when these are at work'),
        ]
        public int $place,
    ) {}
}
