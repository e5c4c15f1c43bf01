<?php

declare(strict_types=1);

namespace Stemmata\Http\Contents\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Contents\ContentsDifferences;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;

/**
 * Contents in a text: how they are set up, their lines, and what refreshing would change.
 *
 * @phpstan-import-type Difference from ContentsDifferences
 */
#[OA\Schema(schema: 'Contents')]
final readonly class ContentsView
{
    /**
     * @param list<ContentsLineView>                          $lines
     * @param list<Difference>       $differences
     */
    private function __construct(
        #[OA\Property(description: 'In whose text they stand')] public string $section,
        #[OA\Property(description: 'Which of those in the section, from 0 on')] public int $index,
        #[OA\Property] public string $title,
        #[OA\Property] public int $from,
        #[OA\Property] public int $to,
        #[OA\Property] public bool $numbers,
        #[OA\Property(type: 'string', enum: ContentsPages::class)] public string $pages,
        #[OA\Property] public bool $twoColumns,
        #[OA\Property] public bool $shaded,
        #[OA\Property] public bool $ownPage,
        #[OA\Property] public bool $always,
        #[OA\Property] public ?string $branch,
        #[OA\Property(type: 'string', enum: ContentsOf::class)] public string $of,
        #[
            OA\Property(
                description: 'Looks of lines by level, where they are not as the house style has them',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'string', enum: LineLook::class),
            ),
        ]
        public object $looks,
        #[OA\Property(items: new OA\Items(ref: ContentsLineView::class))] public array $lines,
        #[
            OA\Property(
                items: new OA\Items(
                    required: ['section', 'sentence', 'lines'],
                    properties: [
                        new OA\Property('section', type: 'string'),
                        new OA\Property('sentence', type: 'string'),
                        new OA\Property(
                            'lines',
                            description: 'Keys of those that it is about',
                            type: 'array',
                            items: new OA\Items(type: 'string'),
                        ),
                    ],
                    type: 'object',
                ),
            ),
        ]
        public array $differences,
    ) {}

    /** @return list<self> all contents of a document, in the order of the text */
    public static function in(Document $document): array
    {
        $positions = $document->outline->positions();
        $holders = $document->contentsHolders();
        usort(
            $holders,
            static fn(SectionId $one, SectionId $other): int => $positions[$one->value] <=> $positions[$other->value],
        );
        $views = [];
        foreach ($holders as $holder) {
            $index = 0;
            foreach ($document->section($holder)->body->walk() as $node) {
                if ('contents' === $node->type) {
                    $views[] = self::of($document, $holder->value, $index++, $node);
                }
            }
        }

        return $views;
    }

    private static function of(Document $document, string $section, int $index, Node $contents): self
    {
        $settings = ContentsSettings::in($contents);

        return new self(
            $section,
            $index,
            $settings->title,
            $settings->from,
            $settings->to,
            $settings->numbers,
            $settings->pages->value,
            $settings->twoColumns,
            $settings->isShaded,
            $settings->onOwnPage,
            $settings->isAlwaysCurrent,
            $settings->branch?->value,
            $settings->of->value,
            (object) $settings->looks,
            array_map(
                ContentsLineView::of(...),
                ContentsLines::kept($contents),
                ContentsLines::targets($document, $contents),
            ),
            ContentsDifferences::of($document, $contents),
        );
    }
}
