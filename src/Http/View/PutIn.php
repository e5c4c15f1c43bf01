<?php

declare(strict_types=1);

namespace Stemmata\Http\View;

use OpenApi\Attributes as OA;

/** A file put into a document: what that changed, and what became of the file. */
#[OA\Schema]
final readonly class PutIn
{
    /** @param list<ReportLineView> $report */
    public function __construct(
        #[OA\Property(ref: WriteOutcome::class)]
        public WriteOutcome $outcome,
        #[OA\Property(items: new OA\Items(ref: ReportLineView::class))]
        public array $report,
    ) {
    }
}
