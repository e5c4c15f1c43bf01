<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation\View;

use OpenApi\Attributes as OA;
use Stemmata\Http\Document\View\OrderEdit;
use Stemmata\Http\Document\View\SectionFacts;
use Stemmata\Http\Document\View\SectionText;
use Stemmata\Http\Document\View\TitleBlockView;

/** A change that is safely stored. */
#[OA\Schema]
final readonly class WriteOutcome
{
    /**
     * @param list<OrderEdit>    $order
     * @param list<SectionFacts> $changed
     * @param list<SectionText>  $texts
     * @param list<string>       $removed
     * @param list<NoticeView>   $notices
     * @param list<string>       $outdated
     */
    public function __construct(
        #[OA\Property] public int $previousRevision,
        #[OA\Property] public int $revision,
        #[OA\Property] public int $outlineRevision,
        #[OA\Property(items: new OA\Items(ref: OrderEdit::class))] public array $order,
        #[OA\Property(items: new OA\Items(ref: SectionFacts::class))] public array $changed,
        #[
            OA\Property(
                description: 'Texts of changed sections, unless the change was typing',
                items: new OA\Items(ref: SectionText::class),
            ),
        ]
        public array $texts,
        #[OA\Property(items: new OA\Items(type: 'string'))] public array $removed,
        #[OA\Property] public ?TitleBlockView $titleBlock,
        #[OA\Property] public string $label,
        #[OA\Property(items: new OA\Items(ref: NoticeView::class))] public array $notices,
        #[
            OA\Property(
                description: 'What was read from the whole document and has to be read again',
                items: new OA\Items(type: 'string', enum: ['places', 'findings', 'offcuts', 'style-sheet']),
            ),
        ]
        public array $outdated,
    ) {}
}
