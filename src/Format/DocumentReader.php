<?php

declare(strict_types=1);

namespace Stemmata\Format;

interface DocumentReader
{
    /** @return list<string> file endings, without the full stop */
    public function endings(): array;

    /** @throws FormatException */
    public function read(string $bytes): ReadResult;
}
