<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn\View;

use OpenApi\Attributes as OA;

/** A document that was read from a file. */
#[OA\Schema]
final readonly class Imported
{
    /** @param list<ReportLineView> $report */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property] public int $sections,
        #[OA\Property] public int $words,
        #[OA\Property(description: 'Paragraphs that look like headings')] public int $likelyHeadings,
        #[OA\Property(items: new OA\Items(ref: ReportLineView::class))] public array $report,
    ) {}
}
