<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Numbering\CaptionNumbering;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;

/** Says how pictures and tables with a caption are numbered. */
final readonly class NumberCaptions implements Operation
{
    public function __construct(private CaptionNumbering $captions) {}

    public function applyTo(Document $document): Applied
    {
        return new Applied($document->withSetup($document->setup->withCaptions($this->captions)));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return match ($this->captions) {
            CaptionNumbering::Plain => 'Numbered figures and tables',
            CaptionNumbering::ByChapter => 'Numbered figures and tables by chapter',
            CaptionNumbering::None => 'Took the numbers off figures and tables',
        };
    }
}
