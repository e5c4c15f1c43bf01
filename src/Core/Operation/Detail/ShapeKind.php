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
        $definition = $before->setup->sheet()->definition($this->kind);
        $shipped = TextKind::find($this->kind);
        $label = match (true) {
            null !== $shipped => $shipped[0]->label($shipped[1]),
            null !== $definition->label => $definition->label,
            default => $this->changes['label'] ?? null,
        };

        return null === $shipped && null === $definition->label
            ? sprintf('Made the kind “%s”', is_string($label) ? $label : $this->kind)
            : sprintf('Changed the look of “%s”', is_string($label) ? $label : $this->kind);
    }
}
