<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\ByHand;
use Stemmata\Core\Style\Shape;

/** Brings all that is shaped by hand back to the look of its kind: in the whole document, or of one kind. */
final readonly class ClearShapes implements Operation
{
    /** @param string|null $kind null for all */
    public function __construct(private ?string $kind = null) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $changed = ByHand::changed(
            $document,
            fn(string $kind, Shape $shape): Shape => null === $this->kind || $kind === $this->kind
                ? Shape::none()
                : $shape,
        );

        return [] === $changed
            ? Refused::missing('Nothing is shaped by hand here.')
            : new Applied($document->withSection(...$changed));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return null === $this->kind
            ? 'Brought all that was shaped by hand back to its kind'
            : sprintf('Brought all of “%s” back to their kind', $before->setup->sheet()->labelOf($this->kind));
    }
}
