<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Style\StyleSheet;

/** Gives the document the look that a style sheet describes. Kinds of its own that the sheet lacks are kept. */
final readonly class UseStyleSheet implements Operation
{
    public function __construct(private StyleSheet $sheet) {}

    public function applyTo(Document $document): Applied
    {
        return new Applied(
            $document->withSetup($document->setup->withSheet($this->sheet->withOwnOf($document->setup->sheet()))),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return sprintf('Chose the look “%s”', $this->sheet->name);
    }
}
