<?php

declare(strict_types=1);

namespace Stemmata\Http\Reminder;

use OpenApi\Attributes as OA;
use Stemmata\Http\Reminder\View\RemindersOfDocument;
use Stemmata\Http\Reminder\View\ReminderView;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Desk\OpenReminders;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** What is still to be done, in all documents. */
final readonly class ReminderController
{
    public function __construct(private Desk $desk) {}

    #[Route('/api/reminders', methods: ['GET'])]
    #[OA\Get(path: '/api/reminders', operationId: 'listOpenReminders')]
    #[
        OA\Response(
            response: 200,
            description: 'Documents with reminders that are open, the last changed first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: RemindersOfDocument::class)),
        ),
    ]
    public function open(OpenReminders $open): JsonResponse
    {
        $found = [];
        foreach ($this->desk->documents() as $record) {
            $reminders = array_map(
                static fn(array $each): ReminderView => ReminderView::of(...$each),
                $open->in($record),
            );
            if ([] !== $reminders) {
                $found[] = new RemindersOfDocument($record->id, $record->title, $reminders);
            }
        }

        return new JsonResponse($found);
    }
}
