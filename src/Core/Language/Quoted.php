<?php

declare(strict_types=1);

namespace Stemmata\Core\Language;

/** What stands in quotation marks within one line of words, whatever the language: “…”, „…“, «…», »…«, ”…”, "…". */
final readonly class Quoted
{
    private const MARKED = '/(?<![\p{L}\p{N}])(?:“[^“”]++”|„[^„“”]++[“”]|«[^«»]++»|»[^«»]++«|”[^”]++”|"[^"]++")/u';
    /** More words, or more lines of the page, stand by themselves (common practice). */
    private const MOST_WORDS = 100;
    private const MOST_LINES = 5;
    /** Letters of the shortest line that is easy to read (common practice): shorter ones are nowhere too long. */
    private const SHORT_LINE = 40;

    /**
     * @param int $from    in UTF-16 code units, before the opening mark
     * @param int $to      behind the closing one
     * @param int $words   as blanks part them
     * @param int $letters characters, with blanks and marks
     */
    private function __construct(public int $from, public int $to, public int $words, public int $letters) {}

    /** @return list<self> those that may be too long for running text, in order */
    public static function longIn(string $line): array
    {
        if (mb_strlen($line) <= self::MOST_LINES * self::SHORT_LINE) {
            return [];
        }
        preg_match_all(self::MARKED, $line, $found, \PREG_OFFSET_CAPTURE);
        $long = [];
        foreach ($found[0] as [$quoted, $at]) {
            $from = self::units(substr($line, 0, $at));
            $each = new self(
                $from,
                $from + self::units($quoted),
                count(preg_split('/\s+/u', trim($quoted)) ?: []),
                mb_strlen($quoted),
            );
            if (self::isLong($each->words, $each->letters, self::SHORT_LINE)) {
                $long[] = $each;
            }
        }

        return $long;
    }

    /** @param int $inLine letters in a line of the page */
    public static function isLong(int $words, int $letters, int $inLine): bool
    {
        return $words > self::MOST_WORDS || $letters > self::MOST_LINES * $inLine;
    }

    private static function units(string $text): int
    {
        return intdiv(strlen((string) mb_convert_encoding($text, 'UTF-16LE', 'UTF-8')), 2);
    }
}
