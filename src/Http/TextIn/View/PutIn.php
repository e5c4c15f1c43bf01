<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn\View;

use OpenApi\Attributes as OA;
use Stemmata\Http\Operation\View\WriteOutcome;

/** A file put into a document: what that changed, and what became of the file. */
#[OA\Schema]
final readonly class PutIn
{
    /** @param list<ReportLineView> $report */
    public function __construct(
        #[OA\Property(ref: WriteOutcome::class)] public WriteOutcome $outcome,
        #[OA\Property(items: new OA\Items(ref: ReportLineView::class))] public array $report,
    ) {}
}
