<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/** What is looked for, and how exactly. */
final readonly class Query
{
    /** Characters. */
    public const LONGEST = 500;

    /**
     * @param list<Field> $fields
     *
     * @throws InvalidQuery
     */
    public function __construct(
        public string $words,
        public FindMode $mode = FindMode::Words,
        public bool $caseMatters = false,
        public bool $diacriticsMatter = false,
        public bool $wholeWords = false,
        public array $fields = [Field::Heading, Field::Text, Field::Note, Field::Caption, Field::Aim],
    ) {
        if ('' === trim($words)) {
            throw InvalidQuery::nothing();
        }
        if (mb_strlen($words) > self::LONGEST) {
            throw InvalidQuery::tooLong();
        }
        if (FindMode::Pattern === $mode) {
            $this->checkPattern();
        }
    }

    /** @return list<string> what must be found, each by itself, folded as the query wants it */
    public function needles(): array
    {
        $folded = Folding::folded(trim($this->words), $this->caseMatters, $this->diacriticsMatter);

        return FindMode::Words === $this->mode
            ? array_values(array_unique(preg_split('/\s+/u', $folded, -1, \PREG_SPLIT_NO_EMPTY) ?: []))
            : [$folded];
    }

    /** @return list<string> regular expressions for folded words; for a pattern, for the words themselves */
    public function expressions(): array
    {
        if (FindMode::Pattern === $this->mode) {
            return [$this->pattern()];
        }
        [$before, $after] = $this->wholeWords ? ['(?<![\p{L}\p{N}])', '(?![\p{L}\p{N}])'] : ['', ''];

        return array_map(
            static fn(string $needle): string => '/' .
                $before .
                implode('\s+', array_map(self::quoted(...), preg_split('/\s+/u', $needle) ?: [])) .
                $after .
                '/u',
            $this->needles(),
        );
    }

    public function isReplaceable(): bool
    {
        return FindMode::Words !== $this->mode || 1 === count($this->needles());
    }

    private static function quoted(string $word): string
    {
        return preg_quote($word, '/');
    }

    private function pattern(): string
    {
        $words = $this->wholeWords ? '(?<![\p{L}\p{N}])(?:' . $this->words . ')(?![\p{L}\p{N}])' : $this->words;

        // A sign that no keyboard writes parts the expression from what says how it is meant.
        return "\x01" . $words . "\x01um" . ($this->caseMatters ? '' : 'i');
    }

    private function checkPattern(): void
    {
        if (str_contains($this->words, "\x01") || false === @preg_match($this->pattern(), '')) {
            throw InvalidQuery::noPattern();
        }
        if (1 === preg_match($this->pattern(), '')) {
            throw InvalidQuery::emptyPattern();
        }
    }
}
