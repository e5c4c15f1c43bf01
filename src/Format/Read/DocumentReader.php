<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Format\Shared\FormatException;

interface DocumentReader
{
    /** @return list<string> file endings, without the full stop */
    public function endings(): array;

    /** The largest file that is read within the time and memory that one may take: see docs/performance.md. */
    public function maxBytes(): int;

    /** @throws FormatException */
    public function read(string $bytes): ReadResult;
}
