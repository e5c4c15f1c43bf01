<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Markup;

use Stemmata\Core\Formula\MathMl;
use Stemmata\Format\Shared\FormulaMarkup;

/**
 * Writes a formula in the engine's own mathematics (Typst 0.14, “Math”), with its source as alternative text. Each sign is
 * escaped, each word a string literal.
 */
final class MathTypst
{
    private const VARIANTS = [
        'normal' => 'upright',
        'bold' => 'bold',
        'italic' => 'italic',
        'bold-italic' => 'bold',
        'double-struck' => 'bb',
        'script' => 'cal',
        'bold-script' => 'cal',
        'fraktur' => 'frak',
        'bold-fraktur' => 'frak',
        'sans-serif' => 'sans',
        'monospace' => 'mono',
    ];
    private const ACCENTS = [
        '^' => 'hat',
        'ˆ' => 'hat',
        '̂' => 'hat',
        '~' => 'tilde',
        '˜' => 'tilde',
        '˙' => 'dot',
        '.' => 'dot',
        '¨' => 'dot.double',
        '→' => 'arrow',
        '⃗' => 'arrow',
        'ˇ' => 'caron',
        '´' => 'acute',
        '`' => 'grave',
        '˘' => 'breve',
        '¯' => 'overline',
        '‾' => 'overline',
        '―' => 'overline',
        '̅' => 'overline',
        '⏞' => 'overbrace',
    ];
    private const BELOW = ['¯' => 'underline', '_' => 'underline', '‾' => 'underline', '⏟' => 'underbrace'];
    private const OPENING = ['(', '[', '{', '⟨', '|', '‖', '⌊', '⌈'];
    private const CLOSING = [')', ']', '}', '⟩', '|', '‖', '⌋', '⌉'];
    private const NOTHING = '""';

    /** A formula that cannot be read as one is shown by its source. */
    public static function equation(string $source, bool $isBlock): string
    {
        $mathMl = FormulaMarkup::findMathMl($source);
        $root = null === $mathMl ? null : MathMl::findRoot($mathMl);
        $body = null === $root ? self::NOTHING : trim(self::row(self::children($root)));
        if (self::NOTHING === $body || '' === $body) {
            return sprintf(
                $isBlock ? "\n#unread-formula[%s];\n\n" : '#unread-formula[%s];',
                TypstValue::words($source),
            );
        }

        return sprintf(
            '#math.equation(block: %s, alt: %s, $%s$);',
            $isBlock ? 'true' : 'false',
            TypstValue::string(MathMl::words($source) ?: $source),
            $body,
        );
    }

    /** @param list<\DOMElement> $parts */
    private static function row(array $parts): string
    {
        return implode(' ', array_map(self::part(...), $parts));
    }

    private static function part(\DOMElement $part): string
    {
        $children = self::children($part);
        $argument = static fn(int $index): string => self::argument($children[$index] ?? null);

        return match ($part->localName) {
            'mi' => self::identifier($part),
            'mn' => self::number(trim($part->textContent)),
            'mo' => self::operator(trim($part->textContent)),
            'mtext', 'ms' => '' === $part->textContent ? self::NOTHING : TypstValue::string($part->textContent),
            'mspace' => '#h(0.25em);',
            'mfrac' => self::fraction($part, $argument(0), $argument(1)),
            'msqrt' => sprintf('sqrt(%s)', self::arguments($children)),
            'mroot' => sprintf('root(%s, %s)', $argument(1), $argument(0)),
            'msub' => sprintf('attach(%s, b: %s)', $argument(0), $argument(1)),
            'msup' => sprintf('attach(%s, t: %s)', $argument(0), $argument(1)),
            'msubsup' => sprintf('attach(%s, b: %s, t: %s)', $argument(0), $argument(1), $argument(2)),
            'munder' => self::accented(self::BELOW, $children, 'b'),
            'mover' => self::accented(self::ACCENTS, $children, 't'),
            'munderover' => sprintf('attach(limits(%s), b: %s, t: %s)', $argument(0), $argument(1), $argument(2)),
            'mfenced' => self::fenced(
                $part->hasAttribute('open') ? $part->getAttribute('open') : '(',
                $part->hasAttribute('close') ? $part->getAttribute('close') : ')',
                $children,
            ),
            'mtable' => self::table($children),
            'menclose' => sprintf('#box(stroke: 0.5pt, inset: 2pt, $%s$);', self::arguments($children)),
            'mphantom' => sprintf('#hide($%s$);', self::arguments($children)),
            'mmultiscripts' => self::multiscripts($children),
            'none', 'mprescripts' => self::NOTHING,
            default => self::grouped($children),
        };
    }

    private static function identifier(\DOMElement $part): string
    {
        $name = trim($part->textContent);
        if ('' === $name) {
            return self::NOTHING;
        }
        $written = self::isOneSign($name) ? self::sign($name) : sprintf('op(%s)', TypstValue::string($name));
        $variant = self::VARIANTS[$part->getAttribute('mathvariant')] ?? null;

        return null === $variant ? $written : sprintf('%s(%s)', $variant, $written);
    }

    private static function number(string $digits): string
    {
        return 1 === preg_match('/\A\d+(?:\.\d+)?\z/', $digits) ? $digits : TypstValue::string($digits);
    }

    private static function operator(string $sign): string
    {
        return match (true) {
            // Invisible ones: applied function, times, separator, plus (U+2061 to U+2064).
            '' === $sign, 1 === preg_match('/\A[\x{2061}-\x{2064}]\z/u', $sign) => self::NOTHING,
            self::isOneSign($sign) => self::sign($sign),
            default => sprintf('op(%s)', TypstValue::string($sign)),
        };
    }

    private static function isOneSign(string $text): bool
    {
        return 1 === mb_strlen($text);
    }

    /** Escaped, so that it means itself; with a blank behind it, so that no two become a name. */
    private static function sign(string $sign): string
    {
        return '\\' . $sign . ' ';
    }

    private static function fraction(\DOMElement $fraction, string $above, string $below): string
    {
        $isWithoutLine = 1 === preg_match('/\A0+(?:\.0+)?\D*\z/', $fraction->getAttribute('linethickness'));

        return $isWithoutLine
            ? sprintf('mat(delim: #none, %s; %s)', $above, $below)
            : sprintf('frac(%s, %s)', $above, $below);
    }

    /**
     * @param array<string, string> $known    functions by the sign that stands over or under something
     * @param list<\DOMElement>     $children
     */
    private static function accented(array $known, array $children, string $side): string
    {
        $base = self::argument($children[0] ?? null);
        $accent = trim($children[1]->textContent ?? '');

        return isset($known[$accent])
            ? sprintf('%s(%s)', $known[$accent], $base)
            : sprintf('attach(limits(%s), %s: %s)', $base, $side, self::argument($children[1] ?? null));
    }

    /** @param list<\DOMElement> $children */
    private static function grouped(array $children): string
    {
        $last = count($children) - 1;
        $open = $last > 0 ? self::findOperator($children[0]) : null;
        $close = $last > 0 ? self::findOperator($children[$last]) : null;

        return null !== $open &&
            null !== $close &&
            in_array($open, self::OPENING, true) &&
            in_array($close, self::CLOSING, true)
            ? self::fenced($open, $close, array_slice($children, 1, -1))
            : self::row($children);
    }

    private static function findOperator(\DOMElement $part): ?string
    {
        return 'mo' === $part->localName ? trim($part->textContent) : null;
    }

    /** @param list<\DOMElement> $children */
    private static function fenced(string $open, string $close, array $children): string
    {
        return sprintf('lr(%s %s %s)', self::operator($open), self::row($children), self::operator($close));
    }

    /** @param list<\DOMElement> $rows */
    private static function table(array $rows): string
    {
        $lines = array_map(
            static fn(\DOMElement $row): string => implode(', ', array_map(self::argument(...), self::children($row))),
            $rows,
        );

        return [] === $lines ? self::NOTHING : sprintf('mat(delim: #none, %s)', implode('; ', $lines));
    }

    /** @param list<\DOMElement> $children base, scripts behind it in pairs, and after `mprescripts` those before it */
    private static function multiscripts(array $children): string
    {
        $names = ['b', 't'];
        $written = self::argument(array_shift($children));
        $at = 0;
        foreach ($children as $child) {
            if ('mprescripts' === $child->localName) {
                $names = ['bl', 'tl'];
                $at = 0;
                continue;
            }
            if ($at < 2 && 'none' !== $child->localName) {
                $written .= sprintf(', %s: %s', $names[$at], self::argument($child));
            }
            ++$at;
        }

        return sprintf('attach(%s)', $written);
    }

    private static function argument(?\DOMElement $part): string
    {
        $written = null === $part ? '' : trim(self::part($part));

        // The blank behind an escaped sign belongs to it.
        return '' === $written ? self::NOTHING : $written . ' ';
    }

    /** @param list<\DOMElement> $children */
    private static function arguments(array $children): string
    {
        $written = trim(self::row($children));

        return '' === $written ? self::NOTHING : $written . ' ';
    }

    /** @return list<\DOMElement> */
    private static function children(\DOMElement $element): array
    {
        return array_values(
            array_filter([...$element->childNodes], static fn(\DOMNode $node): bool => $node instanceof \DOMElement),
        );
    }
}
