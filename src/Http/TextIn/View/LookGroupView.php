<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\LikelyHeading\LikelyHeading;
use Stemmata\Core\LikelyHeading\LookGroup;

/** Likely headings that look alike. */
#[OA\Schema(schema: 'LookGroup')]
final readonly class LookGroupView
{
    /** @param list<LikelyHeadingView> $lines */
    private function __construct(
        #[OA\Property] public string $look,
        #[OA\Property(description: 'That most of its lines are suggested at; 0 for the title')] public int $level,
        #[OA\Property(type: 'number')] public float $confidence,
        #[OA\Property(items: new OA\Items(ref: LikelyHeadingView::class))] public array $lines,
    ) {}

    public static function of(LookGroup $group): self
    {
        return new self(
            $group->look,
            $group->level,
            $group->confidence,
            array_map(
                static fn(LikelyHeading $line): LikelyHeadingView => new LikelyHeadingView(
                    $line->section->value,
                    $line->block,
                    $line->text,
                    $line->level,
                    $line->confidence,
                    $line->reasons,
                ),
                $group->lines,
            ),
        );
    }
}
