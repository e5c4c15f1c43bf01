<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation\View;

use OpenApi\Attributes as OA;
use Stemmata\Http\Document\View\ChangesSince;
use Stemmata\Http\Document\View\SectionText;

/** The answer to a stale write: nothing was written; here is how the parts it rests on read now. */
#[OA\Schema]
final readonly class Conflict
{
    /** @param list<SectionText> $texts */
    public function __construct(
        #[OA\Property] public string $type,
        #[OA\Property] public string $title,
        #[OA\Property] public int $status,
        #[OA\Property] public string $detail,
        #[OA\Property] public string $reason,
        #[OA\Property] public ChangesSince $changes,
        #[OA\Property(items: new OA\Items(ref: SectionText::class))] public array $texts,
    ) {}
}
