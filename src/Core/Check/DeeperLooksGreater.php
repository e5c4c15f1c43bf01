<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;

/** A heading that looks more important than one above its level leads readers astray. */
final class DeeperLooksGreater implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        $style = $document->setup->style();
        $first = [];
        foreach (array_keys($headings) as $position) {
            $first[$document->outline->levelAt($position)->value] ??= $position;
        }
        for ($level = 2; $level <= 9; ++$level) {
            $above = $style->of(TextKind::Heading, $level - 1);
            $look = $style->of(TextKind::Heading, $level);
            if (isset($first[$level], $first[$level - 1]) && self::isGreater($look, $above)) {
                yield new Finding(
                    'deeper-looks-greater',
                    $first[$level],
                    sprintf('Headings of level %d look more important than those of level %d.', $level, $level - 1),
                    'common practice',
                );
            }
        }
    }

    /** Larger; or as large, and bolder. */
    private static function isGreater(TextStyle $look, TextStyle $above): bool
    {
        return $look->size > $above->size || ($look->size === $above->size && $look->weight > $above->weight);
    }
}
