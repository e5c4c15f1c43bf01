<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

/** Parts of the base that one side replaced by others. */
final readonly class Edit
{
    /**
     * @param int          $from  place in the base, from 0; the same as $to where parts were only put in
     * @param list<string> $parts keys of what stands there now
     */
    public function __construct(public int $from, public int $to, public bool $isMine, public array $parts) {}

    public function growth(): int
    {
        return count($this->parts) - ($this->to - $this->from);
    }

    public function isInsertion(): bool
    {
        return $this->from === $this->to;
    }

    /**
     * Whether this and an earlier edit, of the other side, cannot be told apart: they reach the same part, put in at the
     * same place, or one puts in beside the other what the other has put in as well.
     */
    public function meets(self $earlier): bool
    {
        return match (true) {
            $this->from < $earlier->to => true,
            $this->from > $earlier->to => false,
            $earlier->isInsertion() => $this->isInsertion() ||
                array_slice($this->parts, 0, 1) === array_slice($earlier->parts, 0, 1),
            $this->isInsertion() => array_slice($this->parts, -1) === array_slice($earlier->parts, -1),
            default => false,
        };
    }
}
