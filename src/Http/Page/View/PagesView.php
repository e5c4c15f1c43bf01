<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;
use Stemmata\Http\Document\View\FindingView;
use Stemmata\Typesetting\PageMap;
use Stemmata\Typesetting\PageWords;
use Stemmata\Typesetting\Spot;

/** On which pages everything stands. */
#[OA\Schema]
final readonly class PagesView
{
    /**
     * @param list<string>                    $labels
     * @param \ArrayObject<string, PageSpot> $sections
     * @param \ArrayObject<string, PageSpot> $bookmarks
     * @param \ArrayObject<string, PageSpot> $blocks
     * @param \ArrayObject<string, PageSpot> $captions
     * @param \ArrayObject<string, PageSpot> $lines
     * @param \ArrayObject<string, PageSpot> $contents
     * @param list<FindingView>              $findings
     */
    public function __construct(
        #[OA\Property(description: 'Of the document, whose pages these are')] public int $revision,
        #[
            OA\Property(
                description: 'What is printed on each sheet; empty for one without a number',
                items: new OA\Items(type: 'string'),
            ),
        ]
        public array $labels,
        #[
            OA\Property(
                description: 'By the id of the section',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: PageSpot::class),
            ),
        ]
        public \ArrayObject $sections,
        #[
            OA\Property(
                description: 'By the id of the bookmark',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: PageSpot::class),
            ),
        ]
        public \ArrayObject $bookmarks,
        #[
            OA\Property(
                description: 'By the id of the section, a colon and the index of the block from 0 on; empty unless asked for',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: PageSpot::class),
            ),
        ]
        public \ArrayObject $blocks,
        #[
            OA\Property(
                description: 'Captions of pictures and tables, by the id of the section, a colon and which it is there, from 0 on; empty unless asked for',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: PageSpot::class),
            ),
        ]
        public \ArrayObject $captions,
        #[
            OA\Property(
                description: 'Lines of contents, by the id of the section, which of its contents from 0 on and the key of the line, with colons between; empty unless asked for',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: PageSpot::class),
            ),
        ]
        public \ArrayObject $lines,
        #[
            OA\Property(
                description: 'Where contents begin, by the id of the section, a colon and which of its contents from 0 on; empty unless asked for',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: PageSpot::class),
            ),
        ]
        public \ArrayObject $contents,
        #[
            OA\Property(
                description: 'What pages cannot show as it was meant',
                items: new OA\Items(ref: FindingView::class),
            ),
        ]
        public array $findings,
        #[
            OA\Property(description: 'What stands before the number of a page in a text of this language'),
        ]
        public string $pageWord,
    ) {}

    /** @param list<FindingView> $findings */
    public static function of(int $revision, PageMap $map, array $findings, string $language, bool $withBlocks): self
    {
        return new self(
            $revision,
            $map->labels,
            self::spots($map->sections),
            self::spots($map->bookmarks),
            self::spots($withBlocks ? $map->blocks : []),
            self::spots($withBlocks ? $map->captions : []),
            self::spots($withBlocks ? $map->lines : []),
            self::spots($withBlocks ? $map->contents : []),
            $findings,
            PageWords::page($language),
        );
    }

    /**
     * @param array<string, Spot> $spots
     *
     * @return \ArrayObject<string, PageSpot>
     */
    private static function spots(array $spots): \ArrayObject
    {
        return new \ArrayObject(array_map(PageSpot::of(...), $spots));
    }
}
