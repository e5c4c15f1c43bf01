<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;
use Stemmata\Storage\Entity\MilestoneRecord;

/** A named state. */
#[OA\Schema(schema: 'Milestone')]
final readonly class MilestoneView
{
    private function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property(description: 'The step that led to it; 0 for the beginning')] public int $state,
        #[OA\Property(description: 'Seconds since 1970, UTC')] public int $madeAt,
    ) {}

    public static function of(MilestoneRecord $record): self
    {
        return new self($record->id, $record->name, $record->step, $record->madeAt);
    }
}
