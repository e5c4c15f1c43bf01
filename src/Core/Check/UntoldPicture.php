<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\CaptionKind;

/** A picture of which nobody who does not see it is told what it shows. */
final class UntoldPicture implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        foreach ($document->references() as $position => $each) {
            $count = $each->countUntold(CaptionKind::Figure);
            if ($count > 0) {
                yield new Finding(
                    'untold-picture',
                    $position,
                    1 === $count
                        ? 'A picture here has no description. Describe it, or say that it is mere decoration.'
                        : sprintf('%d pictures here have no description.', $count),
                    'WCAG 2.2, 1.1.1; PDF/UA-1, 7.3',
                );
            }
        }
    }
}
