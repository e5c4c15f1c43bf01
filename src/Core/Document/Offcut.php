<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;

/**
 * A run of sections cut from the document and kept, with its inner levels. The sections keep their ids, so that links
 * to them hold again once it is brought back.
 */
final readonly class Offcut
{
    /** Words without a heading are known by their first ones (characters). */
    private const LONGEST_NAME = 60;

    /**
     * @param string         $name  the heading it was known by
     * @param SectionId|null    $after the section it stood behind, or in when it is a passage; null when it stood first
     * @param PassagePlace|null $place of a passage, where in that section it stood
     */
    public function __construct(
        public SectionId $id,
        public OffcutReason $reason,
        public string $name,
        public ?SectionId $after,
        public Outline $outline,
        public ?PassagePlace $place = null,
    ) {}

    /** What words without a heading are called in a list: their first ones, in one line. */
    public static function nameOf(Body $words): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $words->plainText()));

        return mb_strlen($name) > self::LONGEST_NAME ? rtrim(mb_substr($name, 0, self::LONGEST_NAME - 1)) . '…' : $name;
    }

    /** Whether this is a passage that reached into later sections: words of the section it names first, then those sections. */
    public function isStretch(): bool
    {
        return null !== $this->after &&
            null !== $this->place &&
            $this->outline->count() > 1 &&
            $this->outline->levelAt(0)->isOpening();
    }

    public function withName(string $name): self
    {
        return new self($this->id, $this->reason, $name, $this->after, $this->outline, $this->place);
    }

    public function withReason(OffcutReason $reason): self
    {
        return new self($this->id, $reason, $this->name, $this->after, $this->outline, $this->place);
    }

    public function withOutline(Outline $outline): self
    {
        return new self($this->id, $this->reason, $this->name, $this->after, $outline, $this->place);
    }

    /** Whether this is words without a heading, such as a passage of the section it names, rather than sections of their own. */
    public function isPassage(): bool
    {
        return (null !== $this->after || OffcutReason::Idea === $this->reason) &&
            1 === $this->outline->count() &&
            $this->outline->levelAt(0)->isOpening();
    }
}
