<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Style\KindDefinition;

/**
 * Takes a kind of the writer’s own out of the style sheet. What is of that kind in the text looks like the body from then
 * on, and is of it again when the kind comes back.
 */
final readonly class RemoveKind implements Operation
{
    public function __construct(private string $kind) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $sheet = $document->setup->sheet();
        if (!$sheet->definition($this->kind)->isOwn()) {
            return Refused::unknownKind($this->kind);
        }
        foreach (
            array_filter($sheet->kinds, fn(KindDefinition $kind): bool => $kind->restsOn === $this->kind)
            as $name => $kind
        ) {
            $sheet = $sheet->withKind($name, $kind->restingOn($sheet->definition($this->kind)->restsOn));
        }

        return new Applied($document->withSetup($document->setup->withSheet($sheet->withKind($this->kind, null))));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return sprintf('Took away the kind “%s”', $before->setup->sheet()->labelOf($this->kind));
    }
}
