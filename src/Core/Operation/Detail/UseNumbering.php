<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;

/** Sets how the document numbers its headings. */
final readonly class UseNumbering implements Operation
{
    public function __construct(private Scheme $numbering) {}

    public function applyTo(Document $document): Applied
    {
        return new Applied($document->withSetup($document->setup->withNumbering($this->numbering)));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return $this->numbering->isDecimal()
            ? 'Numbered the headings 1, 1.1, 1.1.1'
            : 'Changed how headings are numbered';
    }
}
