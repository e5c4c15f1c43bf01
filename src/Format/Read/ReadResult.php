<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Document\Document;

/** A document read from a file, and what became of the file. */
final readonly class ReadResult
{
    public function __construct(public Document $document, public ImportReport $report) {}

    public function withDocument(Document $document): self
    {
        return new self($document, $this->report);
    }

    public function withNote(ImportNote $note): self
    {
        return new self($this->document, $this->report->with($note));
    }
}
