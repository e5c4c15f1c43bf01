<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** A document without its bodies, but for those that the window opens on. */
#[OA\Schema]
final readonly class Skeleton
{
    /**
     * @param list<SectionFacts> $sections in the order of the outline
     * @param list<SectionText>  $texts    around the resume point
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $revision,
        #[OA\Property] public int $outlineRevision,
        #[OA\Property] public TitleBlockView $titleBlock,
        #[OA\Property] public ?string $resumeSection,
        #[OA\Property] public int $resumePosition,
        #[OA\Property] public OutlineColumns $outline,
        #[OA\Property(items: new OA\Items(ref: SectionFacts::class))] public array $sections,
        #[OA\Property(items: new OA\Items(ref: SectionText::class))] public array $texts,
    ) {}
}
