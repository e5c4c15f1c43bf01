<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Page\InvalidPageSetup;

/** Changes how the document stands on pages; what is not named stays as it is, whoever has set it meanwhile. */
final readonly class SetUpPages implements Operation
{
    /** @param array<mixed>|null $changes as PageSetup::changedBy takes them; null for the pages of the house style */
    public function __construct(private ?array $changes) {}

    public function applyTo(Document $document): Applied|Refused
    {
        try {
            $pages = null === $this->changes ? null : $document->setup->pages()->changedBy($this->changes);
        } catch (InvalidPageSetup $invalid) {
            return Refused::wrongPages($invalid->getMessage());
        }

        return new Applied($document->withSetup($document->setup->withPages($pages)));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return null === $this->changes ? 'Took the pages of the house style' : 'Set up the pages';
    }
}
