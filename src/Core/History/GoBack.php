<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

use Stemmata\Core\Change;
use Stemmata\Core\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;

/** Takes the whole document back to how it read before a step of its history. A step itself, so it can be undone. */
final readonly class GoBack implements Operation
{
    /**
     * @param list<Change> $steps every step from that one on, the last first
     * @param string       $label what that one was called
     */
    public function __construct(private array $steps, private string $label)
    {
    }

    public function applyTo(Document $document): Applied
    {
        foreach ($this->steps as $step) {
            $document = $document->changedBy($step->inverted());
        }

        return new Applied($document);
    }

    public function restsOn(): Basis
    {
        return Basis::everything();
    }

    public function describe(Document $before): string
    {
        return 'Went back to before: '.$this->label;
    }
}
