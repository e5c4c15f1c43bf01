<?php

declare(strict_types=1);

namespace Stemmata\Http\Reminder\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Outline\SectionId;

/** What the writer wants to be reminded of at a place of the text. */
#[OA\Schema(schema: 'Reminder')]
final readonly class ReminderView
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(description: 'The section it stands in')] public string $section,
        #[OA\Property] public string $words,
        #[OA\Property] public bool $isSettled,
    ) {}

    public static function of(SectionId $section, Reminder $reminder): self
    {
        return new self($reminder->id, $section->value, $reminder->words, $reminder->isSettled);
    }
}
