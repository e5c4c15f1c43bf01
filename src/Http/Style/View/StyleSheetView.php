<?php

declare(strict_types=1);

namespace Stemmata\Http\Style\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\Typeface;
use Stemmata\Format\Shared\ManuscriptCss;

/** The style sheet of a document. */
#[OA\Schema]
final readonly class StyleSheetView
{
    /**
     * @param list<KindView>                            $kinds
     * @param list<array{name: string, about: string}> $faces
     */
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property(description: 'The house style that it rests on')] public string $basedOn,
        #[OA\Property(description: 'What that is called')] public string $basedOnLabel,
        #[OA\Property(description: 'Whether it says anything beyond that')] public bool $isChanged,
        #[OA\Property(items: new OA\Items(ref: KindView::class))] public array $kinds,
        #[
            OA\Property(
                items: new OA\Items(
                    required: ['name', 'about'],
                    properties: [new OA\Property('name', type: 'string'), new OA\Property('about', type: 'string')],
                    type: 'object',
                ),
            ),
        ]
        public array $faces,
        #[OA\Property(description: 'Rules for the text that is written in')] public string $css,
    ) {}

    public static function of(Setup $setup): self
    {
        $style = $setup->style();
        $sheet = $setup->sheet();

        return new self(
            $sheet->name,
            $style->name,
            HouseStyles::find($style->name)->label ?? $style->name,
            null !== $setup->sheet,
            KindView::all($style, $sheet),
            array_map(
                static fn(Typeface $face): array => ['name' => $face->value, 'about' => $face->about()],
                Typeface::cases(),
            ),
            ManuscriptCss::of($style),
        );
    }
}
