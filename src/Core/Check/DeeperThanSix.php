<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** HTML, and so most assistive technology, knows six levels. */
final class DeeperThanSix implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        foreach (mb_str_split($document->outline->levels) as $position => $digit) {
            if ((int) $digit > 6) {
                yield new Finding(
                    'deeper-than-6',
                    $position,
                    sprintf('Screen readers know six levels only; this is level %d.', (int) $digit),
                    'HTML Living Standard 4.3.6; PDF/UA-1 7.4.2',
                );
            }
        }
    }
}
