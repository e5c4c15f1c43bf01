<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Numbering\CaptionNumbering;

/** What is computed from the outline: number and words of the branch for each section, in order. */
#[OA\Schema]
final readonly class OutlineCounts
{
    /**
     * @param list<string>  $numbers
     * @param list<int>    $branchWords
     * @param list<string> $staleContents
     * @param list<string> $overTarget
     * @param \ArrayObject<string, string> $markerWords
     * @param \ArrayObject<string, string>       $names
     * @param \ArrayObject<string, int>          $firstNotes
     * @param \ArrayObject<string, list<string>> $captions
     * @param \ArrayObject<string, NamedCaption> $namedCaptions
     */
    public function __construct(
        #[OA\Property] public int $revision,
        #[OA\Property(items: new OA\Items(type: 'string'))] public array $numbers,
        #[
            OA\Property(
                description: 'What sections are called whose heading has no words, by id: the number that stands for it, as “Chapter 4” does, or that there is none',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'string'),
            ),
        ]
        public \ArrayObject $names,
        #[OA\Property(items: new OA\Items(type: 'integer'))] public array $branchWords,
        #[OA\Property] public int $words,
        #[
            OA\Property(
                description: 'Sections whose contents block no longer says what the outline says',
                items: new OA\Items(type: 'string'),
            ),
        ]
        public array $staleContents,
        #[
            OA\Property(
                description: 'Sections whose branch has more words than were wanted',
                items: new OA\Items(type: 'string'),
            ),
        ]
        public array $overTarget,
        #[OA\Property(description: 'Words read silently in a minute')] public int $readingSpeed,
        #[
            OA\Property(
                description: 'The number of the first footnote of each section that has one, by id',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            ),
        ]
        public \ArrayObject $firstNotes,
        #[
            OA\Property(
                description: 'What the pictures and tables of each section are called, in order, by id: “Figure 3”, or empty',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
            ),
        ]
        public \ArrayObject $captions,
        #[
            OA\Property(
                description: 'Captions that are referred to, by the id of a bookmark in them',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: NamedCaption::class),
            ),
        ]
        public \ArrayObject $namedCaptions,
        #[
            OA\Property(
                description: 'How pictures and tables with a caption are numbered',
                type: 'string',
                enum: CaptionNumbering::class,
            ),
        ]
        public string $captionNumbering,
        #[
            OA\Property(
                description: 'What markers stand for to the writer, by marker',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'string'),
            ),
        ]
        public \ArrayObject $markerWords,
    ) {}
}
