<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\BookmarkName;

/** Names for bookmarks that come into a document: none that it has, none twice. */
final class FreeNames
{
    /** @var array<string, true> */
    private array $given = [];

    public function __construct(private readonly Document $document) {}

    /** The name itself, or with a number after it that makes it free. */
    public function for(string $name): string
    {
        $free = BookmarkName::free(
            $name,
            fn(string $try): bool => isset($this->given[$try]) || null !== $this->document->findBookmarkOwner($try),
        );
        $this->given[$free] = true;

        return $free;
    }
}
