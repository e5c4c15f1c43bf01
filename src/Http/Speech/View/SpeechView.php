<?php

declare(strict_types=1);

namespace Stemmata\Http\Speech\View;

use OpenApi\Attributes as OA;

/** A section as it is read aloud. */
#[OA\Schema(schema: 'Speech')]
final readonly class SpeechView
{
    /** @param list<UtteranceView> $utterances */
    public function __construct(
        #[OA\Property(items: new OA\Items(ref: UtteranceView::class))] public array $utterances,
        #[OA\Property(description: 'How fast it is read by whoever has no voice')] public int $wordsPerMinute,
    ) {}
}
