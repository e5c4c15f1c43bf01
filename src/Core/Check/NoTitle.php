<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** A document without a title has no name for a screen reader to announce. */
final class NoTitle implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        if ('' === trim($document->titleBlock->title)) {
            yield new Finding('no-title', 0, 'The document has no title.', 'WCAG 2.2 SC 2.4.2; PDF/UA-1 7.1');
        }
    }
}
