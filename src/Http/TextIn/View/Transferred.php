<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn\View;

use OpenApi\Attributes as OA;
use Stemmata\Http\Operation\View\WriteOutcome;

/** Branches are in another document now. */
#[OA\Schema]
final readonly class Transferred
{
    public function __construct(
        #[
            OA\Property(description: 'What changed in the document they were in; null when they were copied'),
        ]
        public ?WriteOutcome $here,
        #[OA\Property(description: 'The first of the sections as it is in the other document')] public string $section,
        #[OA\Property(description: 'What else the writer should know')] public string $notice,
    ) {}
}
