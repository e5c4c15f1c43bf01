<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Html;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;

/** Contents in a text file: an element that says what they are made of, for a reader to make them again. */
final class ContentsElement
{
    /** @param bool $isFlat whether its lines do not say their levels, so that those of lines by hand are said here */
    public static function openingTag(Node $contents, Rendition $rendition, bool $isFlat = false): string
    {
        $added = [];
        foreach ($isFlat ? ContentsLines::kept($contents) : [] as $line) {
            $name = $rendition->places->findName($line['bookmark'] ?? '');
            if (null !== $name) {
                $added[] = $name . ':' . $line['level'];
            }
        }
        $leftOut = array_map(
            static fn(array $line): string => ($rendition->places->findName($line[0]) ?? $line[0]) .
                (null === $line[1] ? '' : ':' . $line[1]),
            $rendition->leftOutOf($contents),
        );
        $settings = ContentsSettings::in($contents);
        $looks = array_keys(
            array_filter([
                'two-columns' => $settings->twoColumns,
                'shaded' => $settings->isShaded,
                'own-page' => $settings->onOwnPage,
                'always-current' => $settings->isAlwaysCurrent,
            ]),
        );

        return sprintf(
            '<nav class="contents" data-from="%d" data-to="%d" data-numbers="%s"%s%s%s%s%s%s aria-label="%s">',
            $settings->from,
            $settings->to,
            $settings->numbers ? 'yes' : 'no',
            ContentsOf::Headings === $settings->of ? '' : ' data-of="' . $settings->of->value . '"',
            ContentsPages::Dotted === $settings->pages ? '' : ' data-pages="' . $settings->pages->value . '"',
            [] === $looks ? '' : ' data-look="' . implode(' ', $looks) . '"',
            [] === $settings->looks ? '' : ' data-looks="' . self::looks($settings->looks) . '"',
            [] === $leftOut
                ? ''
                : ' data-left-out="' . htmlspecialchars(implode(' ', $leftOut), \ENT_QUOTES | \ENT_SUBSTITUTE) . '"',
            [] === $added ? '' : ' data-added="' . implode(' ', $added) . '"',
            htmlspecialchars($settings->title, \ENT_QUOTES | \ENT_SUBSTITUTE),
        );
    }

    /**
     * @param array<int, LineLook> $looks
     *
     * @return string “1:strong 2:italic”
     */
    private static function looks(array $looks): string
    {
        $said = static fn(int $level, LineLook $look): string => $level . ':' . $look->value;

        return implode(' ', array_map($said, array_keys($looks), $looks));
    }
}
