<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Style\InvalidStyleSheet;
use Stemmata\Core\Style\TextKind;

/** Changes how a kind of text looks, in what is named and nothing else; a new name makes a kind of the writer’s own. */
final readonly class ShapeKind implements Operation
{
    /** @param array<mixed> $changes as a style sheet has them; null takes away what was said */
    public function __construct(private string $kind, private array $changes) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $setup = $document->setup;
        try {
            return new Applied(
                $document->withSetup($setup->withSheet($setup->sheet()->shaped($this->kind, $this->changes))),
            );
        } catch (InvalidStyleSheet $problem) {
            return Refused::invalidStyle($problem->getMessage());
        }
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        $sheet = $before->setup->sheet();
        $isNew = null === TextKind::find($this->kind) && !$sheet->definition($this->kind)->isOwn();
        $label = $isNew ? $this->changes['label'] ?? null : null;

        return sprintf(
            $isNew ? 'Made the kind “%s”' : 'Changed the look of “%s”',
            is_string($label) ? $label : $sheet->labelOf($this->kind),
        );
    }
}
