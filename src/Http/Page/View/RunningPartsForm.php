<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Page\RunningField;

/** What stands at one place of a header or a footer. */
#[
    OA\Schema(
        schema: 'RunningParts',
        type: 'array',
        maxItems: 12,
        items: new OA\Items(
            oneOf: [
                new OA\Schema(type: 'string', maxLength: 200),
                new OA\Schema(
                    required: ['field'],
                    type: 'object',
                    properties: [new OA\Property('field', type: 'string', enum: RunningField::class)],
                ),
            ],
        ),
    ),
]
final class RunningPartsForm {}
