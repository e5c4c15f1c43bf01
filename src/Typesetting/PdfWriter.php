<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Format\Write\DocumentWriter;

/** Writes a document as PDF: accessible (PDF/UA-1) where its structure allows, else with plain tags. */
final readonly class PdfWriter implements DocumentWriter
{
    public function __construct(private Typesetter $typesetter) {}

    public function endings(): array
    {
        return ['pdf'];
    }

    public function passesOver(Document $document): array
    {
        return [];
    }

    public function mediaType(): string
    {
        return 'application/pdf';
    }

    public function write(Rendition $rendition): iterable
    {
        yield $this->typesetter->typeset(
            $rendition->document,
            'file-' . bin2hex(random_bytes(8)),
            standard: PdfStandard::Accessible,
        )->pdf;
    }
}
