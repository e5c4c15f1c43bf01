<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

/** The number of one section, taken apart. */
final readonly class SectionNumber
{
    /** Without the word, as the numbers under it begin: “3” of “Chapter 3”. */
    public string $withoutWord;

    /**
     * @param int       $level   of the section, 1 to 9
     * @param self|null $parent  of the heading above, when that bears one
     * @param string    $series  names the row of sections that count together
     * @param int       $skipped levels left out between the heading above and this one, each shown as 0
     */
    public function __construct(
        public LevelNumber $rule,
        public int $level,
        public int $count,
        public ?self $parent,
        public string $series,
        public int $skipped = 0,
    ) {
        $own = str_repeat('0' . $rule->separator, $rule->withParents ? $skipped : 0) . $rule->style->written($count);
        $this->withoutWord =
            $rule->withParents && null !== $parent ? $parent->withoutWord . $rule->separator . $own : $own;
    }

    public function label(): string
    {
        return '' === $this->rule->word ? $this->withoutWord : $this->rule->word . ' ' . $this->withoutWord;
    }
}
