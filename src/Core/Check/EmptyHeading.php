<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** A heading without words still takes a place in every list of headings. */
final class EmptyHeading implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        $numbers = $document->namingNumbers();
        foreach ($headings as $position => $heading) {
            if (
                '' === trim($heading) &&
                '' === ($numbers[$position] ?? '') &&
                !$document->outline->levelAt($position)->isOpening()
            ) {
                yield new Finding('empty-heading', $position, 'The heading has no words.', 'WCAG 2.2 SC 2.4.6');
            }
        }
    }
}
