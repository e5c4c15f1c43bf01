<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View\Place;

use OpenApi\Attributes as OA;
use Stemmata\Http\Document\View\CaptionView;
use Stemmata\Http\Reminder\View\ReminderView;

/** The bookmarks, links, captions and reminders of a document, in the order of the text. */
#[OA\Schema]
final readonly class Places
{
    /**
     * @param list<Bookmark>  $bookmarks
     * @param list<InnerLink> $links
     * @param list<OuterLink> $addresses
     * @param list<CaptionView> $captions
     * @param list<ReminderView> $reminders
     */
    public function __construct(
        #[OA\Property(items: new OA\Items(ref: Bookmark::class))] public array $bookmarks,
        #[OA\Property(items: new OA\Items(ref: InnerLink::class))] public array $links,
        #[OA\Property(items: new OA\Items(ref: OuterLink::class))] public array $addresses,
        #[OA\Property(items: new OA\Items(ref: CaptionView::class))] public array $captions,
        #[OA\Property(items: new OA\Items(ref: ReminderView::class))] public array $reminders,
    ) {}
}
