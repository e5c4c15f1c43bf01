<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Language\Quoted;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\Measure;
use Stemmata\Core\Style\TextKind;

/**
 * What is quoted at length within running text, where sources are quoted: in a story it is what somebody says, which stays
 * where it is. Such documents have a look that rests on the house style Reading or Submission.
 */
final class LongQuotation implements Rule
{
    public const NAME = 'long-quotation';
    private const OF_STORIES = [HouseStyles::PLAIN, 'submission', 'large-print'];

    public function findings(Document $document, array $headings): iterable
    {
        if (in_array($document->setup->sheet()->basedOn, self::OF_STORIES, true)) {
            return;
        }
        $inLine = Measure::letters($document->setup->pages(), $document->setup->style()->of(TextKind::Body));
        foreach ($document->references() as $position => $each) {
            $long = array_filter(
                $each->quoted,
                static fn(array $quoted): bool => Quoted::isLong($quoted[0], $quoted[1], $inLine),
            );
            if ([] !== $long) {
                yield new Finding(
                    self::NAME,
                    $position,
                    1 === count($long)
                        ? sprintf(
                            'A quotation of %d words stands within the text; one of more than 100 words or five lines stands by itself.',
                            max(array_column($long, 0)),
                        )
                        : sprintf(
                            '%d quotations within the text are long; one of more than 100 words or five lines stands by itself.',
                            count($long),
                        ),
                    'common practice',
                );
            }
        }
    }
}
