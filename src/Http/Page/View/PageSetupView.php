<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\RunningLine;
use Stemmata\Core\Style\HouseStyle;

/** How a document looks and stands on pages, and what there is to choose from. */
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
        #[
            OA\Property(description: 'Whether the pages are the document’s own, not those of the house style'),
        ]
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
            array_map(static fn(RunningLine $line): object => (object) $line->toJson(), $pages->runningLines()),
            $isOwn,
        );
    }
}
