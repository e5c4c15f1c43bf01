<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Style\Shape;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\TextStyle;

/**
 * What is said by hand of a look, as direct formatting (ECMA-376-1, 17.3.1 and 17.3.2): put to what a paragraph or a run says
 * already, in the order of the schema.
 */
final class ByHand
{
    /** The elements of `pPr` and of `rPr` that we write, in the order of CT_PPrBase and EG_RPrBase. */
    private const OF_PARAGRAPH = [
        'pStyle',
        'keepNext',
        'keepLines',
        'pageBreakBefore',
        'numPr',
        'pBdr',
        'shd',
        'tabs',
        'suppressAutoHyphens',
        'bidi',
        'spacing',
        'ind',
        'jc',
    ];
    private const OF_RUN = [
        'rStyle',
        'rFonts',
        'b',
        'i',
        'caps',
        'smallCaps',
        'strike',
        'noProof',
        'color',
        'spacing',
        'sz',
        'szCs',
        'u',
        'shd',
        'vertAlign',
        'numForm',
    ];
    /** Which elements say what is said of a paragraph. */
    private const SAYS = [
        'spacing' => [StyleProperty::SpaceBefore, StyleProperty::SpaceAfter, StyleProperty::LineHeight],
        'ind' => [StyleProperty::FirstLine, StyleProperty::IndentStart, StyleProperty::IndentEnd],
        'jc' => [StyleProperty::Alignment],
        'pBdr' => [StyleProperty::RuleAbove, StyleProperty::RuleBelow, StyleProperty::Frame],
        'shd' => [StyleProperty::Ground],
        'keepNext' => [StyleProperty::KeepWithNext],
        'keepLines' => [StyleProperty::KeepTogether],
        'suppressAutoHyphens' => [StyleProperty::Hyphenation],
    ];
    /** What takes away what a style says. */
    private const NOT = [
        'pBdr' =>
            '<w:pBdr><w:top w:val="nil"/><w:left w:val="nil"/><w:bottom w:val="nil"/><w:right w:val="nil"/></w:pBdr>',
        'shd' => '<w:shd w:val="clear" w:color="auto" w:fill="auto"/>',
        'keepNext' => '<w:keepNext w:val="0"/>',
        'keepLines' => '<w:keepLines w:val="0"/>',
        'suppressAutoHyphens' => '<w:suppressAutoHyphens w:val="0"/>',
    ];

    /**
     * @param string    $xml  a paragraph as it is without
     * @param TextStyle $look of its kind
     */
    public static function paragraph(string $xml, Shape $shape, TextStyle $look): string
    {
        if ($shape->isEmpty()) {
            return $xml;
        }
        $shaped = $shape->on($look);
        $full = self::elements(LookOf::paragraph($shaped, hyphenates: true));
        $said = [];
        foreach (self::SAYS as $element => $properties) {
            if ([] !== array_filter($properties, $shape->says(...))) {
                $said[$element] = $full[$element] ?? (self::NOT[$element] ?? '');
            }
        }
        preg_match('~\A<w:p>(?:<w:pPr>(.*?)</w:pPr>)?~s', $xml, $match);
        $properties = self::ordered([...self::elements($match[1] ?? ''), ...$said], self::OF_PARAGRAPH);
        // The ground of a paragraph is not that of its letters.
        $letters = self::elements(
            LookOf::words($shape->without([StyleProperty::Ground->value])->ofWords(), $shaped->size),
        );
        $runs = (string) preg_replace_callback(
            '~<w:r>(?:<w:rPr>(.*?)</w:rPr>)?~s',
            static fn(array $run): string => sprintf(
                '<w:r>%s',
                self::wrapped('rPr', self::ordered([...$letters, ...self::elements($run[1] ?? '')], self::OF_RUN)),
            ),
            substr($xml, strlen($match[0] ?? '')),
        );

        return '<w:p>' . self::wrapped('pPr', $properties) . $runs;
    }

    /** @param string $properties of a run, with what is said by hand of its words */
    public static function run(string $properties, Shape $shape, float $size): string
    {
        return $shape->isEmpty()
            ? $properties
            : self::ordered(
                [...self::elements(LookOf::words($shape->ofWords(), $size)), ...self::elements($properties)],
                self::OF_RUN,
            );
    }

    private static function wrapped(string $element, string $xml): string
    {
        return '' === $xml ? '' : sprintf('<w:%1$s>%2$s</w:%1$s>', $element, $xml);
    }

    /** @return array<string, string> by name */
    private static function elements(string $xml): array
    {
        preg_match_all('~<w(?:14)?:(\w+)(?:\s[^>]*?)?(?:/>|>.*?</w(?:14)?:\1>)~s', $xml, $found);

        return array_combine($found[1], $found[0]);
    }

    /**
     * @param array<string, string> $elements
     * @param list<string>          $order
     */
    private static function ordered(array $elements, array $order): string
    {
        return implode('', [...array_intersect_key(array_replace(array_flip($order), $elements), $elements)]);
    }
}
