<?php

declare(strict_types=1);

namespace Stemmata\Core\Language;

/**
 * The signs that a language has for what a keyboard writes as ", ' and --. Quotation marks are CLDR’s (its delimiters, by
 * ICU); the dash is common practice.
 */
final readonly class TypedSigns
{
    /** Languages, and countries that write English, in which a thought is set off by a short dash with blanks. */
    private const SHORT_DASH = ['de', 'nl', 'da', 'nb', 'nn', 'no', 'sv', 'fi', 'cs', 'sk', 'hu', 'tr', 'sl', 'hr'];
    private const SHORT_DASH_IN_ENGLISH = ['GB', 'IE', 'AU', 'NZ', 'ZA'];
    /** French sets its marks off by a narrow blank at which no line breaks (common practice); Swiss French does not. */
    private const NARROW_BLANK = "\u{202f}";

    private function __construct(
        public string $open,
        public string $close,
        public string $innerOpen,
        public string $innerClose,
        public string $dash,
    ) {}

    /** @param string $language a language tag after BCP 47; one that ICU does not know has the signs of its root */
    public static function of(string $language): self
    {
        $locale = (string) \Locale::canonicalize($language);
        $mother = (string) \Locale::getPrimaryLanguage($locale);
        $country = (string) \Locale::getRegion($locale);
        $marks = array_map(static fn(string $which): string => self::delimiter([$locale, $mother, 'root'], $which), [
            'quotationStart',
            'quotationEnd',
            'alternateQuotationStart',
            'alternateQuotationEnd',
        ]);
        [$open, $close, $innerOpen, $innerClose] = $marks;
        if ('fr' === $mother && 'CH' !== $country) {
            [$open, $close] = [$open . self::NARROW_BLANK, self::NARROW_BLANK . $close];
            // What is quoted within a quotation bears the other marks, lest the two cannot be told apart.
            [$innerOpen, $innerClose] = ['“', '”'];
        }
        $isShort =
            in_array($mother, self::SHORT_DASH, true) ||
            ('en' === $mother && in_array($country, self::SHORT_DASH_IN_ENGLISH, true));

        return new self($open, $close, $innerOpen, $innerClose, $isShort ? '–' : '—');
    }

    /** @param list<string> $locales the first that says it is heard */
    private static function delimiter(array $locales, string $which): string
    {
        foreach ($locales as $locale) {
            $delimiters = \ResourceBundle::create($locale, 'ICUDATA')?->get('delimiters');
            $mark = $delimiters instanceof \ResourceBundle ? $delimiters->get($which) : null;
            if (is_string($mark) && '' !== $mark) {
                return $mark;
            }
        }

        return '”';
    }
}
