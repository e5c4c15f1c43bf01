<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\StyleSheet;

/** Gives the document the look of a house style that ships. Kinds of the writer’s own are kept. */
final readonly class UseHouseStyle implements Operation
{
    public function __construct(private string $style) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $style = HouseStyles::find($this->style);

        return null === $style
            ? Refused::unknownHouseStyle($this->style)
            : new Applied(
                $document->withSetup(
                    $document->setup->withSheet(
                        (new StyleSheet($style->label, $style->name))->withOwnOf($document->setup->sheet()),
                    ),
                ),
            );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return sprintf('Chose the look “%s”', HouseStyles::find($this->style)->label ?? $this->style);
    }
}
