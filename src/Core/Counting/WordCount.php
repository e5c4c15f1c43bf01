<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

use Stemmata\Core\Document\Filler;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Node;

/**
 * Words by the word boundaries of UAX #29, as ICU implements them: segments that hold a letter, a figure, kana or an
 * ideograph.
 */
final class WordCount
{
    private \IntlRuleBasedBreakIterator $boundaries;

    public function __construct()
    {
        // Word boundaries of UAX #29 are the same in all languages that ICU tailors but a few; the root rules serve
        // all.
        $boundaries = \IntlBreakIterator::createWordInstance('und');
        assert($boundaries instanceof \IntlRuleBasedBreakIterator, 'ICU makes word boundaries from rules');
        $this->boundaries = $boundaries;
    }

    public function ofText(string $text): int
    {
        if ('' === trim($text)) {
            return 0;
        }
        $this->boundaries->setText($text);
        $words = 0;
        while (\IntlBreakIterator::DONE !== $this->boundaries->next()) {
            if ($this->boundaries->getRuleStatus() >= \IntlBreakIterator::WORD_NONE_LIMIT) {
                ++$words;
            }
        }

        return $words;
    }

    private const NO_WRITING = ['calculation', 'formulaBlock', 'unreadable'];

    /** Words under the heading; the heading itself, contents, calculations, formulas on lines of their own and filler are not writing and do not count. */
    public function ofBody(Section $section): int
    {
        $words = 0;
        foreach (self::writing($section) as $block) {
            $words += $this->ofText($block->plainText());
        }

        return $words;
    }

    /** @return iterable<Node> the blocks of a section that are counted */
    public static function writing(Section $section): iterable
    {
        foreach ($section->body->blocks as $block) {
            if (!in_array($block->type, self::NO_WRITING, true) && !Filler::is($block)) {
                yield $block;
            }
        }
    }
}
