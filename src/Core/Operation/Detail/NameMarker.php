<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Marker;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;

/** Says what a marker stands for in this document; with no words it stands for nothing yet. */
final readonly class NameMarker implements Operation
{
    private const LONGEST = 60;

    public function __construct(private Marker $marker, private string $words) {}

    public function applyTo(Document $document): Applied
    {
        return new Applied(
            $document->withSetup(
                $document->setup->withMarkerWords($this->marker, mb_substr($this->words, 0, self::LONGEST)),
            ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return '' === trim($this->words)
            ? 'Took away what a marker stands for'
            : sprintf('Said that a marker stands for “%s”', trim($this->words));
    }
}
