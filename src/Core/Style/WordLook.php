<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How words of a kind differ from the text they stand in: what is said of them, and no more. */
final readonly class WordLook
{
    /** @param array<string, string> $said by property, each in its normal form; a size as a share of the text’s, in % */
    public function __construct(public array $said) {}

    public function find(StyleProperty $property): ?string
    {
        return $this->said[$property->value] ?? null;
    }
}
