<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** Filler that no text has taken the place of yet. */
final class FillerLeft implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        foreach ($document->references() as $position => $each) {
            if ($each->fillers > 0) {
                yield new Finding(
                    'filler',
                    $position,
                    1 === $each->fillers
                        ? 'One paragraph here is filler.'
                        : sprintf('%d paragraphs here are filler.', $each->fillers),
                    'common practice',
                );
            }
        }
    }
}
