<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * A link within the document is broken when what it leads to is no longer in the text, be it gone or among the offcuts.
 */
final readonly class BrokenLinks
{
    /** @param array<string, true> $reachable ids of all sections and bookmarks in the text */
    private function __construct(private array $reachable) {}

    /** @param list<string> $bookmarks ids of the bookmarks that stand in sections of the outline */
    public static function in(Outline $outline, array $bookmarks): self
    {
        $sections = '' === $outline->ids ? [] : str_split($outline->ids, SectionId::LENGTH);

        return new self(array_fill_keys($sections, true) + array_fill_keys($bookmarks, true));
    }

    /** @param string $id of the section or bookmark that a link leads to */
    public function isBroken(string $id): bool
    {
        return !isset($this->reachable[$id]);
    }
}
