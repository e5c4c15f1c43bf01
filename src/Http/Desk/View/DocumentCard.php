<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk\View;

use OpenApi\Attributes as OA;

/** A document as the Desk shows it, with its shape: level and words of each section. */
#[OA\Schema]
final readonly class DocumentCard
{
    /**
     * @param list<int>                 $sectionWords
     * @param \ArrayObject<string, int> $stageWords
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(description: 'Without one, what the first heading says')] public string $title,
        #[OA\Property] public string $subtitle,
        #[OA\Property] public int $words,
        #[OA\Property] public ?int $target,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $changedAt,
        #[OA\Property] public int $revision,
        #[OA\Property(description: 'When they were last set; null before the first time')] public ?int $pages,
        #[OA\Property(description: 'Whether it has changed since')] public bool $arePagesBehind,
        #[OA\Property(description: 'Heading of the section where writing stopped')] public ?string $resumeHeading,
        #[OA\Property] public string $levels,
        #[OA\Property(items: new OA\Items(type: 'integer'))] public array $sectionWords,
        #[
            OA\Property(
                description: 'Words at each stage of writing, those at none under the empty name',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'integer'),
            ),
        ]
        public \ArrayObject $stageWords,
    ) {}
}
