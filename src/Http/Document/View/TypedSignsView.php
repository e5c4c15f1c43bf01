<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Language\TypedSigns;

/** What the document’s language has for typed quotes and dashes. */
#[OA\Schema(schema: 'TypedSigns')]
final readonly class TypedSignsView
{
    public function __construct(
        #[OA\Property] public string $open,
        #[OA\Property] public string $close,
        #[OA\Property] public string $innerOpen,
        #[OA\Property] public string $innerClose,
        #[OA\Property] public string $dash,
    ) {}

    public static function of(string $language): self
    {
        $signs = TypedSigns::of($language);

        return new self($signs->open, $signs->close, $signs->innerOpen, $signs->innerClose, $signs->dash);
    }
}
