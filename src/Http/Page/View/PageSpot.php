<?php

declare(strict_types=1);

namespace Stemmata\Http\Page\View;

use OpenApi\Attributes as OA;
use Stemmata\Typesetting\Spot;

/** Where a place stands in the pages. */
#[OA\Schema]
final readonly class PageSpot
{
    public function __construct(
        #[OA\Property(description: 'From 1 on')] public int $sheet,
        #[OA\Property(description: 'What is printed on the page')] public string $label,
        #[OA\Property(description: 'Points from the upper edge of the page')] public float $down,
    ) {}

    public static function of(Spot $spot): self
    {
        return new self($spot->sheet, $spot->label, round($spot->down, 1));
    }
}
