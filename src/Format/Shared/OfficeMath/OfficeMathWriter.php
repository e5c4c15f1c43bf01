<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared\OfficeMath;

use Stemmata\Core\Formula\MathMl;

/** Writes MathML as the formulas of office documents (ECMA-376-1, 22.1). */
final class OfficeMathWriter
{
    /** Signs that rows of terms stand under: sums, products, integrals, unions. */
    private const NARY = ['∑', '∏', '∐', '∫', '∬', '∭', '∮', '⋃', '⋂', '⋁', '⋀', '⨁', '⨂'];
    private const ACCENTS = [
        '^' => "\u{0302}",
        'ˆ' => "\u{0302}",
        '~' => "\u{0303}",
        '˜' => "\u{0303}",
        '˙' => "\u{0307}",
        '.' => "\u{0307}",
        '¨' => "\u{0308}",
        '→' => "\u{20D7}",
        '⃗' => "\u{20D7}",
        'ˇ' => "\u{030C}",
        '´' => "\u{0301}",
        '`' => "\u{0300}",
        '˘' => "\u{0306}",
    ];
    private const LINES = ['¯', '‾', '_', '―', "\u{0332}", '̅'];
    private const OPENING = ['(', '[', '{', '⟨', '|', '‖', '⌊', '⌈'];
    private const CLOSING = [')', ']', '}', '⟩', '|', '‖', '⌋', '⌉'];

    /** Null for what is no MathML. */
    public static function findWritten(string $mathMl): ?string
    {
        $math = MathMl::findRoot($mathMl);

        return null === $math ? null : '<m:oMath>' . self::row(self::children($math)) . '</m:oMath>';
    }

    /** @param list<\DOMElement> $parts */
    private static function row(array $parts): string
    {
        $xml = '';
        for ($at = 0, $count = count($parts); $at < $count; ++$at) {
            $sign = self::narySign($parts[$at]);
            if (null === $sign) {
                $xml .= self::part($parts[$at]);
                continue;
            }
            // What the sign ranges over is the next part.
            $over = isset($parts[$at + 1]) ? self::part($parts[$at + 1]) : '';
            $xml .= self::nary($parts[$at], $sign, $over);
            ++$at;
        }

        return $xml;
    }

    private static function part(\DOMElement $part): string
    {
        $children = self::children($part);

        return match ($part->localName) {
            'mi', 'mn', 'mo', 'ms', 'mtext' => self::run($part),
            'mspace' => self::text(' ', '<m:nor/>'),
            'mfrac' => self::fraction($part, $children),
            'msqrt' => '<m:rad><m:radPr><m:degHide m:val="1"/></m:radPr><m:deg/>' .
                self::in('e', $children) .
                '</m:rad>',
            'mroot' => '<m:rad>' .
                self::one('deg', $children[1] ?? null) .
                self::one('e', $children[0] ?? null) .
                '</m:rad>',
            'msub' => self::scripts('sSub', $children, ['e', 'sub']),
            'msup' => self::scripts('sSup', $children, ['e', 'sup']),
            'msubsup' => self::scripts('sSubSup', $children, ['e', 'sub', 'sup']),
            'munder' => self::under($children),
            'mover' => self::over($children),
            'munderover' => '<m:limUpp><m:e>' .
                self::scripts('limLow', array_slice($children, 0, 2), ['e', 'lim']) .
                '</m:e>' .
                self::one('lim', $children[2] ?? null) .
                '</m:limUpp>',
            'mfenced' => self::fenced(
                $part->hasAttribute('open') ? $part->getAttribute('open') : '(',
                $part->hasAttribute('close') ? $part->getAttribute('close') : ')',
                array_map(static fn(\DOMElement $each): array => [$each], $children),
            ),
            'mtable' => self::table($children),
            'menclose' => '<m:borderBox>' . self::in('e', $children) . '</m:borderBox>',
            'mphantom' => '<m:phant><m:phantPr><m:show m:val="0"/></m:phantPr>' .
                self::in('e', $children) .
                '</m:phant>',
            'mmultiscripts' => self::multiscripts($children),
            'none', 'mprescripts' => '',
            default => self::grouped($children),
        };
    }

    /** @param list<\DOMElement> $children */
    private static function grouped(array $children): string
    {
        $last = count($children) - 1;
        $open = $last > 0 ? self::sign($children[0]) : null;
        $close = $last > 0 ? self::sign($children[$last]) : null;
        $isFenced =
            null !== $open &&
            null !== $close &&
            in_array($open, [...self::OPENING, ''], true) &&
            in_array($close, [...self::CLOSING, ''], true);

        return $isFenced ? self::fenced($open, $close, [array_slice($children, 1, -1)]) : self::row($children);
    }

    /** @param list<list<\DOMElement>> $parts with a comma between them (MathML 3, 3.3.8.2) */
    private static function fenced(string $open, string $close, array $parts): string
    {
        return sprintf(
            '<m:d><m:dPr><m:begChr m:val="%s"/>%s<m:endChr m:val="%s"/></m:dPr>%s</m:d>',
            self::escaped($open),
            count($parts) > 1 ? '<m:sepChr m:val=","/>' : '',
            self::escaped($close),
            implode('', array_map(static fn(array $part): string => self::in('e', $part), $parts)),
        );
    }

    /** @param list<\DOMElement> $children */
    private static function fraction(\DOMElement $fraction, array $children): string
    {
        $isWithoutLine = 1 === preg_match('/\A0+(?:\.0+)?\D*\z/', $fraction->getAttribute('linethickness'));

        return '<m:f>' .
            ($isWithoutLine ? '<m:fPr><m:type m:val="noBar"/></m:fPr>' : '') .
            self::one('num', $children[0] ?? null) .
            self::one('den', $children[1] ?? null) .
            '</m:f>';
    }

    /**
     * @param list<\DOMElement> $children
     * @param list<string>      $names    of the parts, in order
     */
    private static function scripts(string $name, array $children, array $names): string
    {
        $xml = '';
        foreach ($names as $index => $each) {
            $xml .= self::one($each, $children[$index] ?? null);
        }

        return sprintf('<m:%1$s>%2$s</m:%1$s>', $name, $xml);
    }

    /** @param list<\DOMElement> $children */
    private static function under(array $children): string
    {
        $sign = isset($children[1]) ? self::sign($children[1]) : null;

        return match (true) {
            null !== $sign && in_array($sign, self::LINES, true) => '<m:bar><m:barPr><m:pos m:val="bot"/></m:barPr>' .
                self::one('e', $children[0]) .
                '</m:bar>',
            '⏟' === $sign => self::brace('⏟', 'bot', $children[0]),
            default => self::scripts('limLow', $children, ['e', 'lim']),
        };
    }

    /** @param list<\DOMElement> $children */
    private static function over(array $children): string
    {
        $sign = isset($children[1]) ? self::sign($children[1]) : null;
        if (null !== $sign && in_array($sign, self::LINES, true)) {
            return '<m:bar><m:barPr><m:pos m:val="top"/></m:barPr>' . self::one('e', $children[0]) . '</m:bar>';
        }
        if (null !== $sign && isset(self::ACCENTS[$sign])) {
            return sprintf(
                '<m:acc><m:accPr><m:chr m:val="%s"/></m:accPr>%s</m:acc>',
                self::ACCENTS[$sign],
                self::one('e', $children[0]),
            );
        }

        return '⏞' === $sign ? self::brace('⏞', 'top', $children[0]) : self::scripts('limUpp', $children, ['e', 'lim']);
    }

    private static function brace(string $sign, string $at, \DOMElement $over): string
    {
        return sprintf(
            '<m:groupChr><m:groupChrPr><m:chr m:val="%s"/><m:pos m:val="%s"/></m:groupChrPr>%s</m:groupChr>',
            $sign,
            $at,
            self::one('e', $over),
        );
    }

    private static function narySign(\DOMElement $part): ?string
    {
        $isScripted = in_array($part->localName, ['msub', 'msup', 'msubsup', 'munder', 'mover', 'munderover'], true);
        $base = $isScripted ? $part->firstElementChild : $part;
        $sign = null === $base ? null : self::sign($base);

        return null !== $sign && in_array($sign, self::NARY, true) ? $sign : null;
    }

    private static function nary(\DOMElement $part, string $sign, string $over): string
    {
        $children = self::children($part);
        [$sub, $sup] = match ($part->localName) {
            'msub', 'munder' => [$children[1] ?? null, null],
            'msup', 'mover' => [null, $children[1] ?? null],
            'msubsup', 'munderover' => [$children[1] ?? null, $children[2] ?? null],
            default => [null, null],
        };

        return sprintf(
            '<m:nary><m:naryPr><m:chr m:val="%s"/><m:limLoc m:val="%s"/>%s%s</m:naryPr>%s%s<m:e>%s</m:e></m:nary>',
            $sign,
            str_starts_with((string) $part->localName, 'mu') || 'mover' === $part->localName ? 'undOvr' : 'subSup',
            null === $sub ? '<m:subHide m:val="1"/>' : '',
            null === $sup ? '<m:supHide m:val="1"/>' : '',
            self::one('sub', $sub),
            self::one('sup', $sup),
            $over,
        );
    }

    /** @param list<\DOMElement> $rows */
    private static function table(array $rows): string
    {
        $xml = '';
        foreach ($rows as $row) {
            $cells = '';
            foreach (self::children($row) as $cell) {
                $cells .= self::in('e', self::children($cell));
            }
            $xml .= '<m:mr>' . $cells . '</m:mr>';
        }

        return '<m:m>' . $xml . '</m:m>';
    }

    /** @param list<\DOMElement> $children */
    private static function multiscripts(array $children): string
    {
        foreach ($children as $index => $child) {
            if ('mprescripts' === $child->localName) {
                $base =
                    3 === $index
                        ? self::scripts('sSubSup', $children, ['e', 'sub', 'sup'])
                        : self::row(array_slice($children, 0, 1));

                return '<m:sPre>' .
                    self::one('sub', $children[$index + 1] ?? null) .
                    self::one('sup', $children[$index + 2] ?? null) .
                    '<m:e>' .
                    $base .
                    '</m:e></m:sPre>';
            }
        }

        return self::scripts('sSubSup', $children, ['e', 'sub', 'sup']);
    }

    private static function run(\DOMElement $token): string
    {
        $text = trim($token->textContent);
        $isPlain =
            'normal' === $token->getAttribute('mathvariant') || ('mi' === $token->localName && mb_strlen($text) > 1);
        $style = match ($token->getAttribute('mathvariant')) {
            'bold' => '<m:sty m:val="b"/>',
            'bold-italic' => '<m:sty m:val="bi"/>',
            'double-struck' => '<m:scr m:val="double-struck"/>',
            'script' => '<m:scr m:val="script"/>',
            'fraktur' => '<m:scr m:val="fraktur"/>',
            'sans-serif' => '<m:scr m:val="sans-serif"/>',
            'monospace' => '<m:scr m:val="monospace"/>',
            'bold-script' => '<m:scr m:val="script"/><m:sty m:val="b"/>',
            'bold-fraktur' => '<m:scr m:val="fraktur"/><m:sty m:val="b"/>',
            'bold-sans-serif' => '<m:scr m:val="sans-serif"/><m:sty m:val="b"/>',
            default => $isPlain ? '<m:sty m:val="p"/>' : '',
        };

        return self::text($text, in_array($token->localName, ['mtext', 'ms'], true) ? '<m:nor/>' : $style);
    }

    private static function text(string $text, string $properties): string
    {
        return '' === $text
            ? ''
            : '<m:r>' .
                    ('' === $properties ? '' : '<m:rPr>' . $properties . '</m:rPr>') .
                    '<m:t xml:space="preserve">' .
                    self::escaped($text) .
                    '</m:t></m:r>';
    }

    private static function one(string $name, ?\DOMElement $part): string
    {
        return sprintf('<m:%1$s>%2$s</m:%1$s>', $name, null === $part ? '' : self::part($part));
    }

    /** @param list<\DOMElement> $parts */
    private static function in(string $name, array $parts): string
    {
        return sprintf('<m:%1$s>%2$s</m:%1$s>', $name, self::row($parts));
    }

    /** The sign of an operator; null for any other part. */
    private static function sign(\DOMElement $part): ?string
    {
        while ('mrow' === $part->localName && 1 === $part->childElementCount && null !== $part->firstElementChild) {
            $part = $part->firstElementChild;
        }

        return 'mo' === $part->localName ? trim($part->textContent) : null;
    }

    /** @return list<\DOMElement> */
    private static function children(\DOMElement $element): array
    {
        $children = [];
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $children[] = $child;
            }
        }

        return $children;
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, \ENT_XML1 | \ENT_COMPAT);
    }
}
