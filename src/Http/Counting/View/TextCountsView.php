<?php

declare(strict_types=1);

namespace Stemmata\Http\Counting\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Counting\ReadingTime;
use Stemmata\Core\Counting\TextCounts;

/** What can be counted in a text, and how long it takes to read. */
#[OA\Schema(schema: 'TextCounts')]
final readonly class TextCountsView
{
    public function __construct(
        #[OA\Property] public int $words,
        #[OA\Property] public int $sentences,
        #[OA\Property] public int $paragraphs,
        #[OA\Property] public int $characters,
        #[OA\Property] public int $charactersWithoutBlanks,
        #[OA\Property(description: 'To read it silently')] public int $silentSeconds,
        #[OA\Property(description: 'To read it aloud')] public int $aloudSeconds,
    ) {}

    public static function of(TextCounts $counts): self
    {
        return new self(
            $counts->words,
            $counts->sentences,
            $counts->paragraphs,
            $counts->characters,
            $counts->charactersWithoutBlanks,
            $counts->secondsAt(ReadingTime::SILENT_WORDS_PER_MINUTE),
            $counts->secondsAt(ReadingTime::ALOUD_WORDS_PER_MINUTE),
        );
    }
}
