<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

/** How many words a document had at a moment. */
final readonly class WordsHad
{
    /**
     * @param int      $at       seconds since 1970
     * @param int      $words    of its texts
     * @param int|null $headings words of its headings; null where that was not yet noted
     */
    public function __construct(public int $at, public int $words, public ?int $headings) {}

    /** How many more there are than before: a line of the text that was made a heading is none less. */
    public function more(self $before): int
    {
        return $this->words -
            $before->words +
            (null === $this->headings || null === $before->headings ? 0 : $this->headings - $before->headings);
    }
}
