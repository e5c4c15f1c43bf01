<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;

/** Says whether pictures and tables with a caption are numbered. */
final readonly class NumberCaptions implements Operation
{
    public function __construct(private bool $numbered) {}

    public function applyTo(Document $document): Applied
    {
        return new Applied($document->withSetup($document->setup->withNumberedCaptions($this->numbered)));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return $this->numbered ? 'Numbered figures and tables' : 'Took the numbers off figures and tables';
    }
}
