<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;

/** A run of words that stayed, went or came. */
#[OA\Schema]
final readonly class WordMark
{
    public function __construct(
        #[OA\Property(enum: ['same', 'gone', 'new'])] public string $kind,
        #[OA\Property] public string $text,
    ) {}
}
