<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

use Stemmata\Core\Language\Language;

/**
 * How numbers are written in a language: which sign stands before the fraction, and which between the thousands (CLDR,
 * as ICU has it). Blanks that do not break and apostrophes stand between thousands in any.
 */
final readonly class NumberNotation
{
    private const ALWAYS = "\u{00A0}\u{2009}\u{202F}'’";

    private function __construct(private string $decimal, private string $grouping) {}

    /** @param string $language a tag after BCP 47; empty for English */
    public static function of(string $language): self
    {
        $symbols = new \NumberFormatter(Language::locale($language), \NumberFormatter::DECIMAL);

        return ',' === $symbols->getSymbol(\NumberFormatter::DECIMAL_SEPARATOR_SYMBOL)
            ? new self(',', '.')
            : new self('.', ',');
    }

    /** A pattern for one number at the place it is tried. */
    public function pattern(): string
    {
        $decimal = preg_quote($this->decimal);
        // In “choose(20,300)” the comma stands between two numbers.
        $grouping =
            '(?:' .
            ('.' === $this->grouping ? '\.' : '(?<!choose\(\d)(?<!choose\(\d\d)(?<!choose\(\d{3}),') .
            '|[' .
            self::ALWAYS .
            '])';
        $fraction = ',' === $this->decimal ? '(?<!choose\(\d)(?<!choose\(\d\d)(?<!choose\(\d{3}),' : $decimal;

        return sprintf('\d{1,3}(?:%1$s\d{3})+(?!\d)(?:%2$s\d+)?|\d+(?:%2$s\d+|\.\d+)?', $grouping, $fraction);
    }

    /** A number that the pattern found, with digits and a full stop only. */
    public function plain(string $number): string
    {
        $signs = preg_split('//u', $this->grouping . self::ALWAYS, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        // A full stop with other than three digits after it is no sign of thousands.
        $isStopped = 1 === preg_match('/\A\d+\.\d+\z/', $number) && 1 !== preg_match('/\A\d{1,3}\.\d{3}\z/', $number);

        return $isStopped ? $number : strtr(str_replace($signs, '', $number), [',' => '.']);
    }
}
