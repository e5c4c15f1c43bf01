<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared\OfficeMath;

use Stemmata\Core\Formula\MathMl;

/** Reads the formulas of office documents (ECMA-376-1, 22.1) as MathML. */
final class OfficeMathReader
{
    /** Those of `chr` when nothing is said (22.1.2.20 and 22.1.2.70). */
    private const DEFAULT_NARY = '∫';
    private const DEFAULT_ACCENT = "\u{0302}";
    private const ACCENTS = [
        "\u{0300}" => '`',
        "\u{0301}" => '´',
        "\u{0302}" => '^',
        "\u{0303}" => '~',
        "\u{0304}" => '¯',
        "\u{0305}" => '¯',
        "\u{0306}" => '˘',
        "\u{0307}" => '˙',
        "\u{0308}" => '¨',
        "\u{030C}" => 'ˇ',
        "\u{20D7}" => '→',
    ];
    private const VARIANTS = ['b' => 'bold', 'bi' => 'bold-italic', 'p' => 'normal'];
    /** Alphabets that MathML knows in bold, too. */
    private const BOLD_SCRIPTS = ['script', 'fraktur', 'sans-serif'];

    /** Null for a formula in which there is nothing. */
    public static function findMathMl(\DOMElement $formula): ?string
    {
        $content = self::row($formula);
        $math = MathMl::findRoot(sprintf('<math xmlns="%s">%s</math>', MathMl::NAMESPACE, $content));

        return null === $math ? null : MathMl::cleaned($math);
    }

    private static function row(?\DOMElement $in): string
    {
        $xml = '';
        foreach ($in->childNodes ?? [] as $child) {
            $xml .= $child instanceof \DOMElement ? self::part($child) : '';
        }

        return $xml;
    }

    private static function part(\DOMElement $part): string
    {
        return match ($part->localName) {
            'r' => self::run($part),
            'f' => sprintf(
                '<mfrac%s>%s%s</mfrac>',
                'noBar' === self::property($part, 'type') ? ' linethickness="0"' : '',
                self::one($part, 'num'),
                self::one($part, 'den'),
            ),
            'rad' => self::isOn($part, 'degHide') || '' === self::row(self::child($part, 'deg'))
                ? '<msqrt>' . self::row(self::child($part, 'e')) . '</msqrt>'
                : '<mroot>' . self::one($part, 'e') . self::one($part, 'deg') . '</mroot>',
            'sSub' => '<msub>' . self::one($part, 'e') . self::one($part, 'sub') . '</msub>',
            'sSup' => '<msup>' . self::one($part, 'e') . self::one($part, 'sup') . '</msup>',
            'sSubSup' => '<msubsup>' .
                self::one($part, 'e') .
                self::one($part, 'sub') .
                self::one($part, 'sup') .
                '</msubsup>',
            'sPre' => '<mmultiscripts>' .
                self::one($part, 'e') .
                '<mprescripts></mprescripts>' .
                self::one($part, 'sub') .
                self::one($part, 'sup') .
                '</mmultiscripts>',
            'nary' => self::nary($part),
            'd' => self::fenced($part),
            'm' => self::table($part, 'mr'),
            'eqArr' => self::lines($part),
            'acc' => self::accent($part),
            'bar' => self::bar($part),
            'groupChr' => self::group($part),
            'limLow' => '<munder>' . self::one($part, 'e') . self::one($part, 'lim') . '</munder>',
            'limUpp' => self::upperLimit($part),
            'func' => '<mrow>' .
                self::one($part, 'fName') .
                '<mo>' .
                "\u{2061}" .
                '</mo>' .
                self::one($part, 'e') .
                '</mrow>',
            'borderBox' => '<menclose notation="box">' . self::row(self::child($part, 'e')) . '</menclose>',
            'phant' => self::isOn($part, 'show', true)
                ? self::row(self::child($part, 'e'))
                : '<mphantom>' . self::row(self::child($part, 'e')) . '</mphantom>',
            'box' => self::row(self::child($part, 'e')),
            // What an editor put in is kept, as elsewhere in the text; what was taken out is not.
            'del', 'moveFrom' => '',
            default => str_ends_with((string) $part->localName, 'Pr') ? '' : self::row($part),
        };
    }

    private static function run(\DOMElement $run): string
    {
        $text = '';
        foreach ($run->childNodes as $child) {
            $text .= 't' === $child->localName ? $child->textContent : '';
        }
        $properties = self::child($run, 'rPr');
        if (null !== self::child($properties, 'nor')) {
            return '' === trim($text)
                ? '<mspace width="0.3em"></mspace>'
                : '<mtext>' . self::escaped($text) . '</mtext>';
        }
        $script = self::value(self::child($properties, 'scr'));
        $style = self::VARIANTS[self::value(self::child($properties, 'sty'))] ?? '';
        $variant = match (true) {
            in_array($script, ['', 'roman'], true) => $style,
            str_starts_with($style, 'bold') && in_array($script, self::BOLD_SCRIPTS, true) => 'bold-' . $script,
            default => $script,
        };

        return self::tokens($text, $variant);
    }

    /** Numbers stay together, words in upright type as well; every other letter stands for itself. */
    private static function tokens(string $text, string $variant): string
    {
        $words = 'normal' === $variant ? '\p{L}+' : '\p{L}\p{M}*';
        preg_match_all('/\d+(?:[.,]\d+)*|' . $words . '|\S/u', $text, $tokens);
        $xml = '';
        foreach ($tokens[0] as $token) {
            $isNumber = 1 === preg_match('/\A\d/', $token);
            $isLetter = 1 === preg_match('/\A\p{L}/u', $token);
            $name = match (true) {
                $isNumber => 'mn',
                $isLetter, 1 === preg_match('/\A[∞∅∂∇]/u', $token) => 'mi',
                default => 'mo',
            };
            // A word of several letters stands upright by itself (MathML Core, 3.2.3).
            $said =
                '' === $variant ||
                ('normal' === $variant && mb_strlen($token) > 1) ||
                ('normal' === $variant && !$isLetter)
                    ? ''
                    : ' mathvariant="' . self::escaped($variant) . '"';
            $xml .= sprintf('<%1$s%2$s>%3$s</%1$s>', $name, 'mo' === $name ? '' : $said, self::escaped($token));
        }

        return $xml;
    }

    private static function nary(\DOMElement $nary): string
    {
        $sign = '<mo>' . self::escaped(self::property($nary, 'chr') ?: self::DEFAULT_NARY) . '</mo>';
        $hasSub = !self::isOn($nary, 'subHide');
        $hasSup = !self::isOn($nary, 'supHide');
        $limits = self::property($nary, 'limLoc');
        // Integrals bear their limits beside the sign, all others above and below it (22.1.2.53).
        $isBeside = 'subSup' === $limits || ('' === $limits && str_contains($sign, '∫'));
        [$below, $above, $both] = $isBeside ? ['msub', 'msup', 'msubsup'] : ['munder', 'mover', 'munderover'];
        $name = match (true) {
            $hasSub && $hasSup => $both,
            $hasSub => $below,
            $hasSup => $above,
            default => null,
        };
        $limited =
            null === $name
                ? $sign
                : sprintf(
                    '<%1$s>%2$s%3$s%4$s</%1$s>',
                    $name,
                    $sign,
                    $hasSub ? self::one($nary, 'sub') : '',
                    $hasSup ? self::one($nary, 'sup') : '',
                );

        return $limited . self::row(self::child($nary, 'e'));
    }

    /** Limits below and above are two parts, one around the other. */
    private static function upperLimit(\DOMElement $part): string
    {
        $base = self::child($part, 'e');
        $lower = 1 === $base?->childElementCount ? $base->firstElementChild : null;

        return 'limLow' === $lower?->localName
            ? sprintf(
                '<munderover>%s%s%s</munderover>',
                self::one($lower, 'e'),
                self::one($lower, 'lim'),
                self::one($part, 'lim'),
            )
            : '<mover>' . self::one($part, 'e') . self::one($part, 'lim') . '</mover>';
    }

    private static function fenced(\DOMElement $fences): string
    {
        $open = self::sign($fences, 'begChr', '(');
        $close = self::sign($fences, 'endChr', ')');
        $between = self::sign($fences, 'sepChr', '|');
        $parts = [];
        foreach ($fences->childNodes as $child) {
            if ($child instanceof \DOMElement && 'e' === $child->localName) {
                $parts[] = self::row($child);
            }
        }
        // Strokes are fences only where that is said (MathML Core, operator dictionary).
        $fence = static fn(string $sign, string $form): string => match (true) {
            '' === $sign => '',
            in_array($sign, ['|', '‖', '∥', '/'], true) => sprintf(
                '<mo fence="true" form="%s" stretchy="true">%s</mo>',
                $form,
                $sign,
            ),
            default => '<mo>' . self::escaped($sign) . '</mo>',
        };

        return '<mrow>' .
            $fence($open, 'prefix') .
            implode('<mo separator="true">' . self::escaped($between) . '</mo>', $parts) .
            $fence($close, 'postfix') .
            '</mrow>';
    }

    /** A sign that may be set to nothing at all. */
    private static function sign(\DOMElement $part, string $name, string $default): string
    {
        $said = self::child(self::properties($part), $name);

        return null === $said ? $default : self::value($said);
    }

    private static function table(\DOMElement $matrix, string $row): string
    {
        $rows = '';
        foreach ($matrix->childNodes as $child) {
            if ($child instanceof \DOMElement && $row === $child->localName) {
                $cells = '';
                foreach ($child->childNodes as $cell) {
                    $cells .= $cell instanceof \DOMElement ? '<mtd>' . self::row($cell) . '</mtd>' : '';
                }
                $rows .= '<mtr>' . $cells . '</mtr>';
            }
        }

        return '<mtable>' . $rows . '</mtable>';
    }

    private static function lines(\DOMElement $array): string
    {
        $rows = '';
        foreach ($array->childNodes as $child) {
            $isLine = $child instanceof \DOMElement && 'e' === $child->localName;
            // The sign at which the lines stand under each other is no part of them.
            $rows .= $isLine
                ? '<mtr><mtd>' . str_replace('<mo>&amp;</mo>', '', self::row($child)) . '</mtd></mtr>'
                : '';
        }

        return '<mtable>' . $rows . '</mtable>';
    }

    private static function accent(\DOMElement $accent): string
    {
        $sign = self::property($accent, 'chr') ?: self::DEFAULT_ACCENT;

        return sprintf(
            '<mover accent="true">%s<mo>%s</mo></mover>',
            self::one($accent, 'e'),
            self::escaped(self::ACCENTS[$sign] ?? $sign),
        );
    }

    private static function bar(\DOMElement $bar): string
    {
        $isAbove = 'top' === self::property($bar, 'pos');

        return sprintf(
            '<%1$s>%2$s<mo>%3$s</mo></%1$s>',
            $isAbove ? 'mover' : 'munder',
            self::one($bar, 'e'),
            $isAbove ? '¯' : '_',
        );
    }

    private static function group(\DOMElement $group): string
    {
        $isAbove = 'top' === self::property($group, 'pos');
        $sign = self::property($group, 'chr') ?: ($isAbove ? '⏞' : '⏟');

        return sprintf(
            '<%1$s>%2$s<mo>%3$s</mo></%1$s>',
            $isAbove ? 'mover' : 'munder',
            self::one($group, 'e'),
            self::escaped($sign),
        );
    }

    private static function one(\DOMElement $part, string $name): string
    {
        return '<mrow>' . self::row(self::child($part, $name)) . '</mrow>';
    }

    private static function properties(\DOMElement $part): ?\DOMElement
    {
        return self::child($part, $part->localName . 'Pr');
    }

    private static function property(\DOMElement $part, string $name): string
    {
        return self::value(self::child(self::properties($part), $name));
    }

    /** A switch that is there is on, unless it says otherwise. */
    private static function isOn(\DOMElement $part, string $name, bool $default = false): bool
    {
        $switch = self::child(self::properties($part), $name);

        return null === $switch ? $default : !in_array(self::value($switch), ['0', 'off', 'false'], true);
    }

    private static function value(?\DOMElement $element): string
    {
        foreach ($element->attributes ?? [] as $attribute) {
            if ('val' === $attribute->localName) {
                return (string) $attribute->nodeValue;
            }
        }

        return '';
    }

    private static function child(?\DOMElement $element, string $name): ?\DOMElement
    {
        foreach ($element->childNodes ?? [] as $child) {
            if ($child instanceof \DOMElement && $name === $child->localName) {
                return $child;
            }
        }

        return null;
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, \ENT_XML1 | \ENT_COMPAT);
    }
}
