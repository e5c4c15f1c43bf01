<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Text;

use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Core\TypedNumber\TypedNumber;

/** A line of plain text that says by its words that it is a heading: “Chapter IV”, “2.1 Soils”, “PREFACE”. */
final readonly class ChapterLine
{
    private const LONGEST = 100;
    /** Parts of books that bear a name instead of a number (common practice). */
    private const NAMED = '/\A(?:preface|foreword|prologue|epilogue|afterword|introduction|conclusions?|acknowledge?ments?|abstract|summary|dedication|glossary|bibliography|references|works cited|appendix|appendices|index|notes|(?:table of )?contents|vorwort|einleitung|nachwort|literaturverzeichnis|avant-propos|pr[eé]face|conclusion|bibliographie)\s*[.:]?\z/iu';
    private const RANKS = [
        'volume' => 0,
        'book' => 1,
        'part' => 2,
        'act' => 2,
        'division' => 2,
        'teil' => 2,
        'partie' => 2,
        'parte' => 2,
        'livre' => 1,
        'buch' => 1,
        'chapter' => 3,
        'appendix' => 3,
        'annex' => 3,
        'kapitel' => 3,
        'chapitre' => 3,
        'scene' => 3,
        'letter' => 3,
        'section' => 4,
        'article' => 4,
    ];

    /**
     * @param string $line what it says, in one line
     * @param int    $rank among the lines with words: volumes above books above parts above chapters; 10 and the number
     *     of parts for digits
     */
    private function __construct(
        public string $line,
        public int $rank,
        public bool $isNamed,
        public ?TypedNumber $number,
        public bool $isUnderlined = false,
    ) {}

    public static function find(string $line): ?self
    {
        $words = trim((string) preg_replace('/[ \t]+/', ' ', $line));
        if ('' === $words || mb_strlen($words) > self::LONGEST || str_starts_with($line, "\t\t")) {
            return null;
        }
        if (1 === preg_match(self::NAMED, $words)) {
            return new self($words, 3, true, null);
        }
        $typed = TypedNumber::find($words);

        return null === $typed || !self::isHeadingWith($typed, $line)
            ? null
            : new self($words, self::rank($typed), false, $typed);
    }

    /** Whether only the number stands there, and the name of the chapter may follow on the next line. */
    public function lacksName(): bool
    {
        return null !== $this->number && '' === trim($this->number->rest);
    }

    public function withName(string $name): self
    {
        return new self($this->line . ' ' . trim($name), $this->rank, $this->isNamed, $this->number);
    }

    /** A line that the one under it marks as a heading. */
    public static function underlined(string $line, int $rank): self
    {
        $words = trim((string) preg_replace('/[ \t]+/', ' ', $line));
        $typed = TypedNumber::find($words);

        return new self($words, null === $typed || $typed->isWeak ? $rank : self::rank($typed), false, $typed, true);
    }

    /**
     * What two lines for the same chapter have in common, in the contents and at its head: digits and letters, no
     * label.
     */
    public function letters(): string
    {
        return self::lettersOf($this->line);
    }

    public static function lettersOf(string $line): string
    {
        $line = trim((string) preg_replace('/\A\s*[*•-]\s+/u', '', $line));
        $typed = TypedNumber::find($line);
        if (null !== $typed && '' !== trim($typed->rest)) {
            $line = implode('', $typed->parts) . ' ' . $typed->rest;
        }
        $withoutPage = (string) preg_replace(
            '/(?:\s*[.·…_]\s?){3,}\s*\S*\s*\z|(?:\t+|\s{3,})(?:\d{1,4}|[ivxlc]{1,7})\s*\z/u',
            '',
            $line,
        );

        return mb_strtolower((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $withoutPage));
    }

    private static function isHeadingWith(TypedNumber $typed, string $line): bool
    {
        $rest = trim($typed->rest);
        $hasLetters = 1 === preg_match('/\p{L}/u', $rest);
        // Gaps between words are columns of a table; signs of code are code.
        if (
            1 === preg_match('/\S(?:\t+|\s{3,})\S/u', trim($line)) ||
            1 === preg_match('/[{};=|\\\\]|\(\)|->/', $rest)
        ) {
            return false;
        }
        if ('' !== $typed->word) {
            return '' === $rest ||
                ($hasLetters && 1 !== preg_match('/\A\p{Ll}/u', $rest) && 1 !== preg_match('/[,;]\z/u', $rest));
        }
        if (strspn($line, ' ') > 3 || str_contains(substr($line, 0, 4), "\t")) {
            return $typed->isWeak || '' !== $rest ? false : 1 === preg_match('/\A[IVXLC]+\z/', $typed->own());
        }

        // A bare figure or roman on a line of its own heads a chapter; “A” or “I” may be a word.
        if ('' === $rest) {
            return [NumberStyle::UpperLetter] !== NumberStyle::stylesOf($typed->own()) &&
                1 === preg_match('/\A(?:\d{1,3}|[IVXLC]+)\z/', $typed->own());
        }

        return !$typed->isWeak &&
            $hasLetters &&
            1 === preg_match('~\A[^\p{Ll}\s]~u', $rest) &&
            1 !== preg_match('/[.,;:!]\z/u', $rest) &&
            mb_strlen($rest) <= 80;
    }

    private static function rank(TypedNumber $typed): int
    {
        if ('' === $typed->word) {
            return 10 + count($typed->parts);
        }

        return self::RANKS[mb_strtolower($typed->word)] ?? ($typed->isAppendix() ? 3 : 4);
    }
}
