<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Page\PageSetup;

/** Says how the document stands on pages. */
final readonly class SetUpPages implements Operation
{
    /** @param PageSetup|null $pages null for those that go with the house style */
    public function __construct(private ?PageSetup $pages) {}

    public function applyTo(Document $document): Applied
    {
        return new Applied($document->withSetup($document->setup->withPages($this->pages)));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return null === $this->pages ? 'Took the pages of the house style' : 'Set up the pages';
    }
}
