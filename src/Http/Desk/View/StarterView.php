<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Starter\Starter;
use Stemmata\Core\Starter\StarterPart;

/** A ready outline to begin a document from. */
#[OA\Schema(schema: 'Starter')]
final readonly class StarterView
{
    /** @param list<StarterPartView> $parts */
    private function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $description,
        #[OA\Property(description: 'Whether the writer kept it, and may take it away')] public bool $isOwn,
        #[OA\Property(items: new OA\Items(ref: StarterPartView::class))] public array $parts,
    ) {}

    public static function of(Starter $starter, bool $isOwn, IdSource $ids): self
    {
        // A blank one is opened with a text that is no part of its outline.
        $numbers = [] === $starter->parts ? [] : $starter->opened('', $ids)->numbers();

        return new self(
            $starter->id,
            $starter->name,
            $starter->description,
            $isOwn,
            array_map(
                static fn(StarterPart $part, string $number): StarterPartView => new StarterPartView(
                    $part->level,
                    $number,
                    $part->heading,
                    $part->aim,
                    $part->target,
                    $part->isRequired,
                ),
                $starter->parts,
                $numbers,
            ),
        );
    }
}
