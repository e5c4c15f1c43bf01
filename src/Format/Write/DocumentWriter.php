<?php

declare(strict_types=1);

namespace Stemmata\Format\Write;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Rendition\Rendition;

interface DocumentWriter
{
    /** @return list<string> file endings, without the full stop */
    public function endings(): array;

    public function mediaType(): string;

    /** @return list<string> sentences: what a document looks like of which files of this format can say nothing */
    public function passesOver(Document $document): array;

    /** @return iterable<string> the bytes of the file, portion by portion */
    public function write(Rendition $rendition): iterable;
}
