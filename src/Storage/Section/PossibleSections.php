<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Stemmata\Core\Outline\SectionId;

/** The sections of a document that may hold what is looked for; no others do. */
final readonly class PossibleSections
{
    /** @param array<string, true>|null $ids null for any */
    public function __construct(private ?array $ids) {}

    /**
     * @param list<SectionId> $sections
     *
     * @return list<SectionId> in the same order
     */
    public function among(array $sections): array
    {
        return array_values(
            array_filter($sections, fn(SectionId $id): bool => null === $this->ids || isset($this->ids[$id->value])),
        );
    }
}
