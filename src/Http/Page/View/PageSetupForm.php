<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Page\ChapterStart;
use Stemmata\Core\Page\Paper;

/** How a document stands on pages; read by Core\Page\PageSetup. */
#[
    OA\Schema(
        schema: 'PageSetup',
        required: ['paper', 'margins', 'twoSided', 'chapters', 'titlePage', 'titleLines', 'romanFront', 'restarts'],
        type: 'object',
        properties: [
            new OA\Property('paper', type: 'string', enum: Paper::class),
            new OA\Property(
                'margins',
                description: 'Millimetres',
                type: 'object',
                required: ['top', 'bottom', 'inner', 'outer'],
                properties: [
                    new OA\Property('top', type: 'number'),
                    new OA\Property('bottom', type: 'number'),
                    new OA\Property('inner', type: 'number'),
                    new OA\Property('outer', type: 'number'),
                ],
            ),
            new OA\Property('twoSided', type: 'boolean'),
            new OA\Property('chapters', type: 'string', enum: ChapterStart::class),
            new OA\Property('titlePage', type: 'boolean'),
            new OA\Property('titleLines', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property('romanFront', type: 'boolean'),
            new OA\Property('bodyFrom', description: 'Id of a section', type: 'string'),
            new OA\Property(
                'restarts',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            ),
            new OA\Property('header', ref: '#/components/schemas/RunningLine'),
            new OA\Property('footer', ref: '#/components/schemas/RunningLine'),
            new OA\Property('evenHeader', ref: '#/components/schemas/RunningLine'),
            new OA\Property('evenFooter', ref: '#/components/schemas/RunningLine'),
            new OA\Property('firstHeader', ref: '#/components/schemas/RunningLine'),
            new OA\Property('firstFooter', ref: '#/components/schemas/RunningLine'),
        ],
    ),
]
final class PageSetupForm {}
