<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** What the structure check reports. */
#[OA\Schema(schema: 'Finding')]
final readonly class FindingView
{
    public function __construct(
        #[OA\Property] public string $rule,
        #[OA\Property] public ?string $section,
        #[OA\Property] public string $message,
        #[OA\Property] public string $source,
    ) {}
}
