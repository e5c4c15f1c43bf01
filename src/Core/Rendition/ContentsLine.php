<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

/** One line of contents, as it is written. */
final readonly class ContentsLine
{
    /**
     * @param string $section that it leads to
     * @param int    $level   1 to 9
     * @param string $words   number and heading
     * @param string $number  of the heading; empty for none, and for captions
     * @param string|null $byHand what the writer worded it as, or added; null for a line as its heading has it
     * @param string $place   the name of the place there
     * @param string $kind    of what it leads to: “section”, “bookmark” or “caption”
     * @param string $id      of that; of a caption, the section’s with a colon and which it is there now, from 0 on; empty for
     *     one that is gone
     * @param string $key     what the line is known by
     */
    public function __construct(
        public string $section,
        public int $level,
        public string $words,
        public string $place,
        public string $kind = 'section',
        public string $id = '',
        public string $number = '',
        public ?string $byHand = null,
        public string $key = '',
    ) {}

    public function withoutNumber(): string
    {
        return '' === $this->number ? $this->words : substr($this->words, strlen($this->number) + 1);
    }
}
