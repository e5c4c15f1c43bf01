<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** What others changed since a revision. */
#[OA\Schema]
final readonly class ChangesSince
{
    /**
     * @param OutlineColumns|null $outline null when it is as it was
     * @param list<SectionFacts>  $changed
     */
    public function __construct(
        #[OA\Property] public int $revision,
        #[OA\Property] public int $outlineRevision,
        #[OA\Property] public TitleBlockView $titleBlock,
        #[OA\Property] public ?OutlineColumns $outline,
        #[OA\Property(items: new OA\Items(ref: SectionFacts::class))] public array $changed,
    ) {}
}
