<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Link\KindName;
use Stemmata\Core\Text\Mark;

/** How words stand out, by the element they are in and by the style that stands on it. */
final class HtmlMarks
{
    private const OF_ELEMENTS = [
        'em' => 'emphasis',
        'i' => 'emphasis',
        'cite' => 'emphasis',
        'dfn' => 'emphasis',
        'strong' => 'strong',
        'b' => 'strong',
        'code' => 'code',
        'kbd' => 'code',
        'samp' => 'code',
        'tt' => 'code',
        'del' => 'struck',
        's' => 'struck',
        'strike' => 'struck',
        'sup' => 'superscript',
        'sub' => 'subscript',
    ];
    /** What a style says, and whether that is the mark or its absence (CSS Fonts 4, 2; CSS Text Decoration 3, 2.1). */
    private const OF_STYLES = [
        ['~(?:^|[;\s])font-style:\s*(?:italic|oblique)~', 'emphasis', true],
        ['~(?:^|[;\s])font-style:\s*normal~', 'emphasis', false],
        ['~(?:^|[;\s])font-weight:\s*(?:bold|[6-9]00)~', 'strong', true],
        ['~(?:^|[;\s])font-weight:\s*(?:normal|[1-5]00)~', 'strong', false],
        ['~(?:^|[;\s])text-decoration(?:-line)?:[^;]*line-through~', 'struck', true],
        ['~(?:^|[;\s])vertical-align:\s*super~', 'superscript', true],
        ['~(?:^|[;\s])vertical-align:\s*sub~', 'subscript', true],
    ];

    /** Blocks whose style is that of their words; a heading or a quotation looks as it does because of what it is. */
    private const STYLED_BLOCKS = ['p', 'div', 'center', 'li', 'dd', 'dt'];

    /**
     * @param array<string, Mark> $around by type: those that the words have by what is around the element
     *
     * @return array<string, Mark> by type
     */
    public static function within(\DOMElement $element, array $around): array
    {
        $type = self::OF_ELEMENTS[$element->localName ?? ''] ?? null;
        $marks = null === $type ? $around : $around + [$type => new Mark($type)];
        $style = $element->hasAttributes() ? strtolower($element->getAttribute('style')) : '';
        $isStyled =
            '' !== $style &&
            (!HtmlBlock::isBlock($element) || in_array($element->localName, self::STYLED_BLOCKS, true));
        foreach ($isStyled ? self::OF_STYLES : [] as [$pattern, $type, $isOn]) {
            if (1 === preg_match($pattern, $style)) {
                $marks = $isOn ? $marks + [$type => new Mark($type)] : array_diff_key($marks, [$type => true]);
            }
        }

        $kind =
            'span' === $element->localName && $element->hasAttributes()
                ? KindName::inClasses($element->getAttribute('class'))
                : null;

        return null === $kind ? $marks : $marks + ['kind' => new Mark('kind', ['name' => $kind])];
    }
}
