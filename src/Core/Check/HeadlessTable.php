<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\CaptionKind;

/** A table of several rows and columns in which no cell heads them: whoever hears it does not know what a number is. */
final class HeadlessTable implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        foreach ($document->references() as $position => $each) {
            $count = $each->countUntold(CaptionKind::Table);
            if ($count > 0) {
                yield new Finding(
                    'headless-table',
                    $position,
                    1 === $count
                        ? 'A table here has no cells that head its rows or columns.'
                        : sprintf('%d tables here have no cells that head their rows or columns.', $count),
                    'WCAG 2.2, 1.3.1; PDF/UA-1, 7.5',
                );
            }
        }
    }
}
