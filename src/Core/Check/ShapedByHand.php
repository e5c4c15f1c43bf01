<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** What looks otherwise than its kind does not follow when the look of the kind is changed. */
final class ShapedByHand implements Rule
{
    public const NAME = 'shaped-by-hand';

    public function findings(Document $document, array $headings): iterable
    {
        foreach ($document->references() as $position => $each) {
            if ($each->byHand > 0) {
                yield new Finding(
                    self::NAME,
                    $position,
                    1 === $each->byHand
                        ? 'One place here is shaped by hand and does not follow its kind of text.'
                        : sprintf(
                            '%s places here are shaped by hand and do not follow their kinds of text.',
                            number_format($each->byHand),
                        ),
                    'common practice',
                );
            }
        }
    }
}
