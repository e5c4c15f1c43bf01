<?php

declare(strict_types=1);

namespace Stemmata\Http\History\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\History\Difference;
use Stemmata\Core\History\DifferenceKind;

/** What became of one section. */
#[OA\Schema(schema: 'Difference')]
final readonly class DifferenceView
{
    /**
     * @param list<string>    $kinds
     * @param list<NotedView> $noted
     */
    private function __construct(
        #[OA\Property] public string $section,
        #[OA\Property] public string $heading,
        #[
            OA\Property(
                description: 'Of its place and its words',
                items: new OA\Items(
                    type: 'string',
                    enum: ['new', 'gone', 'moved', 'promoted', 'demoted', 'renamed', 'reworded'],
                ),
            ),
        ]
        public array $kinds,
        #[OA\Property(items: new OA\Items(ref: NotedView::class))] public array $noted,
    ) {}

    public static function of(Difference $difference): self
    {
        return new self(
            $difference->section->value,
            $difference->heading,
            array_map(static fn(DifferenceKind $kind): string => $kind->value, $difference->kinds),
            array_map(NotedView::of(...), $difference->noted),
        );
    }
}
