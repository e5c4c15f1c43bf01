<?php

declare(strict_types=1);

namespace Stemmata\Http\Find\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Find\Hit;

/** Something that was found, with the line around it. */
#[OA\Schema(schema: 'FoundPlace')]
final readonly class FoundPlace
{
    public function __construct(
        #[OA\Property(enum: ['heading', 'text', 'note', 'caption', 'aim'])] public string $field,
        #[OA\Property(description: 'In the heading, the text or the aim, as the editor counts')] public int $from,
        #[OA\Property] public int $to,
        #[OA\Property] public string $words,
        #[OA\Property] public string $before,
        #[OA\Property] public string $after,
        #[OA\Property(description: 'Whether it stands in the heading, note or not')] public bool $isInHeading,
    ) {}

    public static function of(Hit $hit): self
    {
        return new self(
            $hit->field->value,
            $hit->from,
            $hit->to,
            $hit->words,
            $hit->before,
            $hit->after,
            $hit->isInHeading,
        );
    }
}
