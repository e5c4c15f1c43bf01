<?php

declare(strict_types=1);

namespace Stemmata\Http\Idea\View;

use OpenApi\Attributes as OA;

/** An idea beside the text. */
#[OA\Schema(schema: 'Idea')]
final readonly class IdeaView
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(description: 'A paragraph a line')] public string $words,
        #[OA\Property(description: 'Whether it is nothing but words, and can be typed anew here')] public bool $isPlain,
    ) {}
}
