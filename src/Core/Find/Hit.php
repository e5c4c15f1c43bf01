<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/** Something that was found. */
final readonly class Hit
{
    /** Characters of the line that are shown on either side. */
    private const AROUND = 60;

    /**
     * @param int          $from   where it begins in the heading, the text or the aim (the editor’s positions)
     * @param string       $words  that were found
     * @param string       $before what stands before it in its line, and after it
     * @param list<string> $groups what a pattern’s brackets hold; the first is the whole
     */
    public function __construct(
        public Field $field,
        public int $from,
        public int $to,
        public string $words,
        public string $before,
        public string $after,
        public array $groups,
        public bool $isInHeading,
    ) {}

    /**
     * @param int          $at     in the line’s words, in characters, as is the length
     * @param list<string> $groups
     */
    public static function in(Line $line, int $at, int $length, array $groups): self
    {
        return new self(
            $line->field,
            $line->position($at, false),
            $line->position($at + $length, true),
            $line->part($at, $length),
            $line->part(max(0, $at - self::AROUND), min($at, self::AROUND)),
            $line->part($at + $length, self::AROUND),
            $groups,
            $line->isInHeading,
        );
    }
}
