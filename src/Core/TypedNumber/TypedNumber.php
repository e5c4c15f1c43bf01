<?php

declare(strict_types=1);

namespace Stemmata\Core\TypedNumber;

use Stemmata\Core\Numbering\NumberStyle;

/** A number that stands in the words of a heading: “2.1 Soils”, “Chapter IV: The gale”, “Appendix B”, “(a) Scope”. */
final readonly class TypedNumber
{
    private const WORDS = 'chapter|part|book|section|appendix|annexe?|article|volume|act|scene|letter|canto|lecture|lesson|unit|module|schedule|clause|rule|title|division|essay|stave|kapitel|teil|abschnitt|anhang|artikel|chapitre|partie|livre|titre|cap[ií]tulo|parte|libro|anexo|ap[eé]ndice|capitolo|appendice|hoofdstuk|deel|bijlage|§+|no\.|nr\.';
    private const APPENDIX_WORDS = '/\A(?:appendix|annexe?|anhang|anexo|ap[eé]ndice|appendice|bijlage|schedule)\z/iu';
    private const SPELLED = 'twenty(?:-\p{L}+)?|thirty(?:-\p{L}+)?|forty(?:-\p{L}+)?|fifty(?:-\p{L}+)?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen';

    /**
     * @param string       $word   such as “Chapter”; empty for none
     * @param list<string> $parts  such as “3” and “1” of “3.1”, as they stand
     * @param int          $lead   how many characters of the heading the number takes, with the stop and blank after it
     * @param bool         $isWeak whether it could as well be a word: “A lamp”, “3 days”, “I remember”
     */
    private function __construct(
        public string $word,
        public array $parts,
        public string $separator,
        public int $lead,
        public string $rest,
        public bool $isWeak,
    ) {}

    public static function find(string $heading): ?self
    {
        return self::findWithWord($heading) ?? (self::findOfParts($heading) ?? self::findSingle($heading));
    }

    /** A number that a program printed before the heading, told apart from its words. */
    public static function findPrinted(string $printed): ?self
    {
        $found = self::find(rtrim($printed, " .:)\t\u{00A0}") . ' X') ?? self::find($printed . ' X');

        return null === $found ? null : new self($found->word, $found->parts, $found->separator, 0, '', false);
    }

    public function isAppendix(): bool
    {
        return 1 === preg_match(self::APPENDIX_WORDS, $this->word);
    }

    /** As a scheme writes it: without the stop, bracket or dash after it. */
    public function label(): string
    {
        return ('' === $this->word ? '' : $this->word . ' ') . implode($this->separator, $this->parts);
    }

    public function own(): string
    {
        return $this->parts[count($this->parts) - 1];
    }

    private static function findWithWord(string $heading): ?self
    {
        $number =
            '(?<number>\d{1,4}(?:[.\-–]\d{1,4})*|[IVXLCDM]+(?![\p{L}])|[ivxlcdm]+(?![\p{L}])|[A-Z](?:[.\-–]?\d{1,3})*(?![\p{L}])|(?i:' .
            self::SPELLED .
            ')(?![\p{L}]))';
        // After the number comes a stop, a dash or the end; or a blank and the words.
        $pattern = '~\A(?<word>' . self::WORDS . ')\s*' . $number . '(?:\s*[.:)\]—–]+\s*|\s+[-—–:|]\s+|\s+|\z)~iu';
        if (1 !== preg_match($pattern, $heading, $match)) {
            return null;
        }
        // Only signs such as “§” may stand right before their number; “Partii” is a word.
        $isApart = 1 === preg_match('/\A\s/u', mb_substr($heading, mb_strlen($match['word']), 1));
        if (!$isApart && 1 === preg_match('/\p{L}\z/u', $match['word'])) {
            return null;
        }
        // The word is matched without regard to case, and so the number is here; “chapter x” of “chapter xenon” is
        // none.
        if ([] === NumberStyle::stylesOf(self::split($match['number'])[0][0])) {
            return null;
        }

        return self::of($match['word'], $match['number'], $match[0], $heading, false);
    }

    private static function findOfParts(string $heading): ?self
    {
        $pattern =
            '~\A(?<number>(?:\d{1,4}|[A-Z]|[IVXLCDM]{1,7})(?<separator>[.\-–])(?:\d{1,4}|[a-zA-Z](?!\p{L})|[ivx]{1,5}(?!\p{L}))(?:\k<separator>(?:\d{1,4}|[a-zA-Z](?!\p{L})|[ivx]{1,5}(?!\p{L})))*)(?:\s*[.:)\]]+\s+|\s*[.:)\]]*\z|\s+[—–-]\s+|\s+)~u';
        if (1 !== preg_match($pattern, $heading, $match)) {
            return null;
        }
        // “U.S. ports” and “A.B. Roth” are words; “2024-05” is a date.
        $isInitials = 1 === preg_match('/\A[A-Z][.\-–][A-Z]/', $match['number']);
        $isDate = 1 === preg_match('/\A\d{4}\b/', $match['number']);

        return $isInitials || $isDate ? null : self::of('', $match['number'], $match[0], $heading, false);
    }

    private static function findSingle(string $heading): ?self
    {
        $number = '(?<number>\d{1,3}|[IVXLCDM]{1,7}|[ivxlcdm]{1,7}|[A-Za-z])';
        // A number in parentheses and nothing else is what the section is called.
        if (1 === preg_match('~\A\(' . $number . '\)\s+~u', $heading, $match)) {
            return self::of('', $match['number'], $match[0], $heading, false);
        }
        if (1 === preg_match('~\A' . $number . '(?<stop>\s*[.:)\]]+|\s+[—–-])(?:\s+|\z)~u', $heading, $match)) {
            // A single capital and a stop may be an initial.
            return self::of(
                '',
                $match['number'],
                $match[0],
                $heading,
                1 === preg_match('/\A[A-Za-z]\z/', $match['number']) && '.' === $match['stop'],
            );
        }
        // A heading that is one letter and nothing else is the letter of a glossary; “I”, “V” and “X” may be numbers.
        if (
            1 ===
            preg_match('~\A(?!(?![IVX])\p{Lu}\z)(?<number>\d{1,3}|[IVXLCDM]{1,7}|[A-Z])(?:\s+|\z)~u', $heading, $match)
        ) {
            return self::of('', $match['number'], $match[0], $heading, true);
        }
        if (1 === preg_match('~\A(?<number>' . self::SPELLED . ')[.:]?\z~iu', $heading, $match)) {
            return self::of('', $match['number'], $match[0], $heading, true);
        }

        return null;
    }

    private static function of(string $word, string $number, string $lead, string $heading, bool $isWeak): ?self
    {
        [$parts, $separator] = self::split($number);
        foreach ($parts as $part) {
            if ([] === NumberStyle::stylesOf($part)) {
                return null;
            }
        }
        $length = mb_strlen($lead);

        return new self($word, $parts, $separator, $length, mb_substr($heading, $length), $isWeak);
    }

    /** @return array{non-empty-list<string>, string} the parts and what separates them */
    private static function split(string $number): array
    {
        // “A1” is the first part of A.
        if (1 === preg_match('/\A([A-Z])(\d{1,3})\z/', $number, $match)) {
            return [[$match[1], $match[2]], ''];
        }
        // The dash of “Twenty-One” is part of the word.
        $separator =
            1 === preg_match('/\A(?:\d+|\p{L}{1,7})([.\-–])[\da-z]/iu', $number, $match) &&
            1 !== preg_match('/\A\p{L}{4,}-\p{L}{3,}/u', $number)
                ? $match[1]
                : '.';

        return [explode($separator, $number), $separator];
    }
}
