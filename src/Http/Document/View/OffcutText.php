<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;

/** An offcut to be read or copied. */
#[OA\Schema]
final readonly class OffcutText
{
    public function __construct(#[OA\Property(description: 'The whole of it as Markdown')] public string $text) {}
}
