<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Picture;

/**
 * Where a document finds the text of its sections. An operation on a document of 10,000 sections asks for the two or
 * three it changes; the others are never read.
 */
interface Shelf
{
    /** Null when nothing of that id is kept. */
    public function findSection(SectionId $id): ?Section;

    /**
     * @param list<SectionId> $ids
     *
     * @return array<string, string> the plain heading by id
     */
    public function headings(array $ids): array;

    public function findOffcut(SectionId $id): ?Offcut;

    /** The offcut that this section lies in. */
    public function findOffcutHolding(SectionId $section): ?Offcut;

    /** The section whose text holds the bookmark of this name, set aside or not. */
    public function findBookmarkOwner(string $name): ?SectionId;

    /** Whether any text holds a link to this section or bookmark. */
    public function isLinkedTo(SectionId $id): bool;

    /** @return array<string, References> by section id; sections that name and link to nothing may be missing */
    public function references(): array;

    /** @return list<SectionId> the sections whose text holds a contents block */
    public function contentsHolders(): array;

    /** The picture that texts name by this hash; null when its bytes are not kept. */
    public function findPicture(string $hash): ?Picture;
}
