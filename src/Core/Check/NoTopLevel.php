<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** The outline starts from level 1; without it every heading hangs on nothing. */
final class NoTopLevel implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        $outline = $document->outline;
        $headed = $outline->hasOpening() ? 1 : 0;
        if ($outline->count() > $headed && !str_contains($outline->levels, '1')) {
            yield new Finding('no-level-1', $headed, 'No heading is at level 1.', 'PDF/UA-1 7.4.2; common practice');
        }
    }
}
