<?php

declare(strict_types=1);

namespace Stemmata\Format;

use Stemmata\Core\Document;

/** A document read from a file, and what the reader could not keep or was in doubt about. */
final readonly class ReadResult
{
    /** @param list<string> $warnings */
    public function __construct(public Document $document, public array $warnings)
    {
    }
}
