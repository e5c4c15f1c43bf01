<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\History;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Text\ReplaceBody;

/** Gives one section the heading and text it had before, wherever it stands now. */
final readonly class TakeWording implements Operation
{
    public function __construct(private Section $then) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $outcome = (new ReplaceBody($this->then->id, $this->then->body))->applyTo($document);
        if ($outcome instanceof Refused) {
            return $outcome;
        }

        return new Applied(
            $outcome->document->withSection(
                $outcome->document->section($this->then->id)->withHeading($this->then->heading),
            ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->then->id);
    }

    public function describe(Document $before): string
    {
        return 'Brought back earlier words of ' . Described::section($before, $this->then->id);
    }
}
