<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

use Stemmata\Core\Document\Section;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Text\Node;

/**
 * Counts words, sentences, paragraphs and characters by the boundaries of UAX #29, as ICU implements them for the
 * document’s language. Of a section, what WordCount counts; a sentence is one that holds a word.
 */
final class TextCounter
{
    private const LINES = ['paragraph', 'codeBlock', 'figure', 'caption', 'tableCell'];
    private const PARAGRAPHS = ['paragraph', 'codeBlock'];

    private readonly WordCount $words;
    private readonly \IntlBreakIterator $sentences;

    /** @param string $language a language tag after BCP 47 */
    public function __construct(string $language)
    {
        $this->words = new WordCount();
        $this->sentences =
            \IntlBreakIterator::createSentenceInstance(Language::locale($language)) ??
            throw new \LogicException('ICU knows sentences in every language.');
    }

    public function ofSection(Section $section): TextCounts
    {
        $counts = new TextCounts();
        foreach (WordCount::writing($section) as $block) {
            foreach ($block->walk() as $node) {
                if (in_array($node->type, self::LINES, true)) {
                    $counts = $counts->plus($this->ofLine($node));
                }
            }
        }

        return $counts;
    }

    /** @param string $text one paragraph a line */
    public function ofText(string $text): TextCounts
    {
        $counts = new TextCounts();
        foreach (explode("\n", $text) as $line) {
            $counts = $counts->plus($this->counted($line, true));
        }

        return $counts;
    }

    private function ofLine(Node $line): TextCounts
    {
        return $this->counted($line->plainText(), in_array($line->type, self::PARAGRAPHS, true));
    }

    private function counted(string $text, bool $isParagraph): TextCounts
    {
        $signs = (int) grapheme_strlen((string) preg_replace('/[\s\p{Z}]+/u', '', $text));
        if (0 === $signs) {
            return new TextCounts();
        }

        // A line that is broken by hand is one paragraph, and its break no character.
        return new TextCounts(
            $this->words->ofText($text),
            $this->sentencesIn($text),
            $isParagraph ? 1 : 0,
            (int) grapheme_strlen(str_replace("\n", '', $text)),
            $signs,
        );
    }

    private function sentencesIn(string $text): int
    {
        $this->sentences->setText($text);
        $count = 0;
        $from = 0;
        while (\IntlBreakIterator::DONE !== ($to = $this->sentences->next())) {
            if (1 === preg_match('/[\p{L}\p{N}]/u', substr($text, $from, $to - $from))) {
                ++$count;
            }
            $from = $to;
        }

        return $count;
    }
}
