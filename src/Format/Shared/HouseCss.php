<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Style\Alignment;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;

/** A house style as rules of CSS. Lengths are multiples of the size of the text, which a reader’s browser may set. */
final readonly class HouseCss
{
    /** @var array<string, array{TextKind, int}> what each kind of text is in a web page */
    private const SELECTORS = [
        'blockquote' => [TextKind::Quotation, 1],
        'h1' => [TextKind::Heading, 1],
        'h2' => [TextKind::Heading, 2],
        'h3' => [TextKind::Heading, 3],
        'h4' => [TextKind::Heading, 4],
        'h5' => [TextKind::Heading, 5],
        'h6' => [TextKind::Heading, 6],
        '[role=heading]' => [TextKind::Heading, 7],
        'caption,figcaption' => [TextKind::Caption, 1],
        'table' => [TextKind::Table, 1],
        'pre' => [TextKind::Code, 1],
        '[role=doc-endnotes]' => [TextKind::Footnote, 1],
    ];

    public static function of(HouseStyle $style): string
    {
        $body = $style->of(TextKind::Body);
        $css =
            sprintf('body{font-family:%s;line-height:%s}', self::family($body), self::number($body->lineHeight)) .
            self::paragraphs($body);
        foreach (self::SELECTORS as $selector => [$kind, $level]) {
            $css .= self::rule($selector, $style->of($kind, $level), $body);
        }

        return $css;
    }

    private static function paragraphs(TextStyle $body): string
    {
        $space = self::em($body->spaceAfter, $body->size);
        $indented = $body->firstLine > 0 ? 'text-indent:' . self::em($body->firstLine, $body->size) : '';

        return sprintf('main>p{margin:0 0 %s;text-align:%s}', $space, self::alignment($body)) .
            ('' === $indented ? '' : sprintf('%s{%s}', $body->indentsAll ? 'main>p' : 'main>p+p', $indented));
    }

    private static function rule(string $selector, TextStyle $style, TextStyle $body): string
    {
        $em = static fn(float $points): string => self::em($points, $style->size);
        $declarations = array_filter([
            'font-family' => $style->face === $body->face ? '' : self::family($style),
            'font-size' => $style->size === $body->size ? '' : self::em($style->size, $body->size),
            'line-height' => $style->lineHeight === $body->lineHeight ? '' : self::number($style->lineHeight),
            'font-weight' => (string) $style->weight,
            'font-style' => $style->italic ? 'italic' : 'normal',
            'text-align' => self::alignment($style),
            'margin' => sprintf(
                '%s %s %s %s',
                $em($style->spaceBefore),
                $em($style->indentEnd),
                $em($style->spaceAfter),
                $em($style->indentStart),
            ),
        ]);
        $written = '';
        foreach ($declarations as $name => $value) {
            $written .= ('' === $written ? '' : ';') . $name . ':' . $value;
        }

        return $selector . '{' . $written . '}';
    }

    private static function family(TextStyle $style): string
    {
        return sprintf('"%s",%s', $style->face->value, $style->face->generic());
    }

    private static function alignment(TextStyle $style): string
    {
        return match ($style->alignment) {
            Alignment::Start => 'start',
            Alignment::Justified => 'justify',
            Alignment::Centred => 'center',
        };
    }

    private static function em(float $points, float $size): string
    {
        return 0.0 === $points ? '0' : self::number($points / $size) . 'em';
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(sprintf('%.3F', $value), '0'), '.');
    }
}
