<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** A section's heading and body as the editor keeps them. */
#[OA\Schema]
final readonly class SectionText
{
    /**
     * @param array<mixed> $heading
     * @param array<mixed> $body
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'object'))] public array $heading,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'object'))] public array $body,
        #[OA\Property] public int $revision,
    ) {}
}
