<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation\View;

use OpenApi\Attributes as OA;

/** Something that an operation brought about beside what was asked. */
#[OA\Schema(schema: 'Notice')]
final readonly class NoticeView
{
    /** @param list<string> $sections */
    public function __construct(
        #[OA\Property] public string $sentence,
        #[OA\Property(items: new OA\Items(type: 'string'))] public array $sections,
    ) {}
}
