<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** What is said of the document as a whole. */
#[OA\Schema(schema: 'TitleBlock')]
final readonly class TitleBlockView
{
    public function __construct(
        #[OA\Property] public string $title,
        #[OA\Property] public string $subtitle,
        #[OA\Property] public string $author,
        #[OA\Property] public string $guidingStatement,
        #[OA\Property] public ?int $target,
        #[OA\Property] public string $language,
        #[OA\Property] public string $date,
        #[OA\Property(description: 'What the whole document asks')] public string $question,
        #[OA\Property] public TypedSignsView $signs,
    ) {}
}
