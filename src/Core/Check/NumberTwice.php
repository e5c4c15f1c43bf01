<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\TypedNumber\TypedNumber;

/** A number typed into a heading that is numbered as well: both are printed. */
final class NumberTwice implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        $numbers = $document->numbers();
        foreach ($headings as $position => $heading) {
            $typed = '' === ($numbers[$position] ?? '') ? null : TypedNumber::find($heading);
            if (null !== $typed && !$typed->isWeak) {
                yield new Finding(
                    'number-twice',
                    $position,
                    sprintf(
                        'The heading bears “%s” by hand and is numbered %s as well: both are printed.',
                        $typed->label(),
                        $numbers[$position],
                    ),
                    'common practice',
                );
            }
        }
    }
}
