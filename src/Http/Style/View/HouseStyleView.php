<?php

declare(strict_types=1);

namespace Stemmata\Http\Style\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\StyleSheet;

/** A house style to choose. */
#[OA\Schema]
final readonly class HouseStyleView
{
    /** @param array<string, mixed> $sheet */
    public function __construct(
        #[
            OA\Property(description: 'The name of one that ships, or the id of one of the writer’s own'),
        ]
        public string $id,
        #[OA\Property] public string $label,
        #[OA\Property] public string $about,
        #[OA\Property] public bool $isOwn,
        #[OA\Property(description: 'Whether new documents have it')] public bool $isForNew,
        #[OA\Property(type: 'object', additionalProperties: true)] public array $sheet,
    ) {}

    public static function ofShipped(HouseStyle $style, bool $isForNew): self
    {
        return new self(
            $style->name,
            $style->label,
            $style->about,
            false,
            $isForNew,
            (new StyleSheet($style->label, $style->name))->toJson(),
        );
    }

    public static function ofOwn(string $id, StyleSheet $sheet, bool $isForNew): self
    {
        return new self($id, $sheet->name, $sheet->about, true, $isForNew, $sheet->toJson());
    }
}
