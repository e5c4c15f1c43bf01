<?php

declare(strict_types=1);

namespace Stemmata\Http\Reminder\View;

use OpenApi\Attributes as OA;

/** What is still to be done in a document, in the order of its text. */
#[OA\Schema]
final readonly class RemindersOfDocument
{
    /** @param list<ReminderView> $reminders */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property(items: new OA\Items(ref: ReminderView::class))] public array $reminders,
    ) {}
}
