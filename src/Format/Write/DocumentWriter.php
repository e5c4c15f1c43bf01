<?php

declare(strict_types=1);

namespace Stemmata\Format\Write;

use Stemmata\Core\Document\Document;

interface DocumentWriter
{
    /** @return list<string> file endings, without the full stop */
    public function endings(): array;

    public function mediaType(): string;

    public function write(Document $document): string;
}
