<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Outline\SectionId;

/** The parts of a document that an operation was decided on. */
final readonly class Basis
{
    /** @param list<SectionId> $texts sections whose text it rests on */
    private function __construct(public bool $outline, public array $texts, public bool $everything = false) {}

    public static function nothing(): self
    {
        return new self(false, []);
    }

    public static function outline(SectionId ...$texts): self
    {
        return new self(true, array_values($texts));
    }

    public static function text(SectionId ...$texts): self
    {
        return new self(false, array_values($texts));
    }

    /** For what would undo any change that the writer has not seen. */
    public static function everything(): self
    {
        return new self(true, [], true);
    }

    public function and(self $other): self
    {
        return new self(
            $this->outline || $other->outline,
            [...$this->texts, ...$other->texts],
            $this->everything || $other->everything,
        );
    }
}
