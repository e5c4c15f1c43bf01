<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document\Document;

/** One thing a writer can do to a document. It holds its arguments only; the document given stays as it was. */
interface Operation
{
    public function applyTo(Document $document): Applied|Refused;

    /** What the writer had in view: when another window has changed it since, the operation is stale. */
    public function restsOn(): Basis;

    /** One line for the history, such as “Moved “Gaps””, worded from the document before the change. */
    public function describe(Document $before): string;
}
