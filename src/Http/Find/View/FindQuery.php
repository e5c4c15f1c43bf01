<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;

/** What is looked for; read by Core\Find\QueryForm. */
#[
    OA\Schema(
        schema: 'FindQuery',
        required: ['words'],
        properties: [
            new OA\Property('words', type: 'string', maxLength: 500),
            new OA\Property('mode', type: 'string', enum: ['words', 'phrase', 'pattern']),
            new OA\Property('caseMatters', type: 'boolean'),
            new OA\Property('diacriticsMatter', type: 'boolean'),
            new OA\Property('wholeWords', type: 'boolean'),
            new OA\Property(
                'fields',
                type: 'array',
                items: new OA\Items(type: 'string', enum: ['heading', 'text', 'note', 'caption', 'aim']),
            ),
        ],
        type: 'object',
    ),
]
final class FindQuery {}
