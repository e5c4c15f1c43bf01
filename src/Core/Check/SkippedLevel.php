<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** Level 1 followed by level 3 tells a listener that something was missed. */
final class SkippedLevel implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        $previous = 0;
        foreach (mb_str_split($document->outline->levels) as $position => $digit) {
            $level = (int) $digit;
            // A document without any level 1 has a finding of its own; its first heading skips nothing.
            if ($previous > 0 && $level > $previous + 1) {
                yield new Finding(
                    'skipped-level',
                    $position,
                    sprintf('Level %d follows level %d; level %d is skipped.', $level, $previous, $previous + 1),
                    'WCAG 2.2 technique G141; PDF/UA-1 7.4.2',
                );
            }
            $previous = $level;
        }
    }
}
