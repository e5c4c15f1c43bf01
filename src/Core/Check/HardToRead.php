<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Style\Contrast;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\Measure;
use Stemmata\Core\Style\TextKind;

/** What the style sheet makes hard to read: pale letters, small ones, lines that are too long or too short. */
final class HardToRead implements Rule
{
    private const PAPER = '#ffffff';
    private const INK = '#000000';
    /** Points (common practice). */
    private const LEAST_SIZE = 9.0;
    /** Letters in a line, blanks too (common practice). */
    private const FEWEST = 40;
    private const MOST = 90;

    public function findings(Document $document, array $headings): iterable
    {
        $style = $document->setup->style();
        foreach ([...$style->looks, ...$style->own] as $name => $look) {
            $ratio = Contrast::between($look->colour ?? self::INK, $look->ground ?? self::PAPER);
            if ($ratio < Contrast::asked($look)) {
                yield new Finding(
                    'low-contrast',
                    0,
                    sprintf(
                        'The letters of “%s” stand out too little from their ground: %.1f to 1, where %.1f is asked.',
                        self::called($name, $style),
                        floor($ratio * 10) / 10,
                        Contrast::asked($look),
                    ),
                    'WCAG 2.2 SC 1.4.3',
                );
            }
        }
        $body = $style->of(TextKind::Body);
        if ($body->size < self::LEAST_SIZE) {
            yield new Finding(
                'small-letters',
                0,
                sprintf('The body text is set in %g points; under 9 it is hard to read.', $body->size),
                'common practice',
            );
        }
        $letters = Measure::letters($document->setup->pages(), $body);
        if ($letters < self::FEWEST || $letters > self::MOST) {
            yield new Finding(
                'line-length',
                0,
                sprintf(
                    'A line of the page holds about %d letters; between %d and %d are easy to read.',
                    $letters,
                    self::FEWEST,
                    self::MOST,
                ),
                'common practice',
            );
        }
    }

    private static function called(string $name, HouseStyle $style): string
    {
        $shipped = TextKind::find($name);

        return null === $shipped ? $style->labels[$name] ?? KindName::label($name) : $shipped[0]->label($shipped[1]);
    }
}
