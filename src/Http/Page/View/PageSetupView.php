<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Page\ChapterStart;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\Paper;
use Stemmata\Core\Page\RunningField;
use Stemmata\Core\Style\HouseStyle;

/** How a document looks and stands on pages, and what there is to choose from; read back by Core\Page\PageSetup. */
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
#[
    OA\Schema(
        schema: 'PageSetup',
        required: ['paper', 'margins', 'twoSided', 'chapters', 'titlePage', 'titleLines', 'romanFront', 'restarts'],
        type: 'object',
        properties: [
            new OA\Property('paper', type: 'string', enum: Paper::class),
            new OA\Property(
                'margins',
                description: 'Millimetres: top, bottom, inner, outer',
                type: 'array',
                minItems: 4,
                maxItems: 4,
                items: new OA\Items(type: 'number'),
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
#[OA\Schema]
final readonly class PageSetupView
{
    /**
     * @param array<string, mixed>                                       $pages
     * @param array<string, mixed>                                       $running
     * @param list<array{name: string, label: string, about: string}> $houseStyles
     */
    public function __construct(
        #[OA\Property] public string $houseStyle,
        #[
            OA\Property(
                items: new OA\Items(
                    required: ['name', 'label', 'about'],
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('label', type: 'string'),
                        new OA\Property('about', type: 'string'),
                    ],
                    type: 'object',
                ),
            ),
        ]
        public array $houseStyles,
        #[OA\Property(ref: '#/components/schemas/PageSetup')] public array $pages,
        #[
            OA\Property(
                description: 'Headers and footers as they are printed, also where the page setup leaves them to what is usual',
                required: ['header', 'footer', 'evenHeader', 'evenFooter', 'firstHeader', 'firstFooter'],
                properties: [
                    new OA\Property('header', ref: '#/components/schemas/RunningLine'),
                    new OA\Property('footer', ref: '#/components/schemas/RunningLine'),
                    new OA\Property('evenHeader', ref: '#/components/schemas/RunningLine'),
                    new OA\Property('evenFooter', ref: '#/components/schemas/RunningLine'),
                    new OA\Property('firstHeader', ref: '#/components/schemas/RunningLine'),
                    new OA\Property('firstFooter', ref: '#/components/schemas/RunningLine'),
                ],
                type: 'object',
            ),
        ]
        public array $running,
        #[OA\Property(description: 'Whether the pages are the document’s own, not those of the house style')]
        public bool $isOwn,
    ) {}

    /** @param list<HouseStyle> $styles */
    public static function of(string $style, array $styles, PageSetup $pages, bool $isOwn): self
    {
        return new self(
            $style,
            array_map(
                static fn(HouseStyle $each): array => [
                    'name' => $each->name,
                    'label' => $each->label,
                    'about' => $each->about,
                ],
                $styles,
            ),
            $pages->toJson(),
            [
                'header' => (object) $pages->header()->toJson(),
                'footer' => (object) $pages->footer()->toJson(),
                'evenHeader' => (object) $pages->evenHeader()->toJson(),
                'evenFooter' => (object) $pages->evenFooter()->toJson(),
                'firstHeader' => (object) $pages->firstHeader()->toJson(),
                'firstFooter' => (object) $pages->firstFooter()->toJson(),
            ],
            $isOwn,
        );
    }
}
