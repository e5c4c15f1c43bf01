<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

/** What can be counted in a text. Characters are those that a reader sees (grapheme clusters of UAX #29). */
final readonly class TextCounts
{
    public function __construct(
        public int $words = 0,
        public int $sentences = 0,
        public int $paragraphs = 0,
        public int $characters = 0,
        public int $charactersWithoutBlanks = 0,
    ) {}

    public function plus(self $other): self
    {
        return new self(
            $this->words + $other->words,
            $this->sentences + $other->sentences,
            $this->paragraphs + $other->paragraphs,
            $this->characters + $other->characters,
            $this->charactersWithoutBlanks + $other->charactersWithoutBlanks,
        );
    }

    /** @return int seconds for reading it silently, and aloud by `ReadingTime::ALOUD_WORDS_PER_MINUTE` */
    public function secondsAt(int $wordsPerMinute): int
    {
        return (int) round(($this->words / $wordsPerMinute) * 60);
    }
}
