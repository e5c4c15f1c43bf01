<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\History;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;

/** Takes the whole document to another state of its history. A step itself, so it can be undone. */
final readonly class GoBack implements Operation
{
    /**
     * @param list<Change> $changes the way there, in turn
     * @param string       $state   what that state is called
     */
    public function __construct(private array $changes, private string $state) {}

    public function applyTo(Document $document): Applied
    {
        foreach ($this->changes as $change) {
            $document = $document->changedBy($change);
        }

        return new Applied($document);
    }

    public function restsOn(): Basis
    {
        return Basis::everything();
    }

    public function describe(Document $before): string
    {
        return 'Went back to ' . $this->state;
    }
}
