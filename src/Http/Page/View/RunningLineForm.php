<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;

/** A header or a footer: words and fields at each of its three places; read by Core\Page\RunningLine. */
#[
    OA\Schema(
        schema: 'RunningLine',
        description: 'A header or a footer: words and fields at each of its three places',
        type: 'object',
        properties: [
            new OA\Property('start', ref: '#/components/schemas/RunningParts'),
            new OA\Property('middle', ref: '#/components/schemas/RunningParts'),
            new OA\Property('end', ref: '#/components/schemas/RunningParts'),
        ],
    ),
]
final class RunningLineForm {}
