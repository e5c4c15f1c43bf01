<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\InvalidSectionId;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Picture;

/** A shelf that holds all texts itself, for documents that were read from a file. */
final readonly class MemoryShelf implements Shelf
{
    /** @var array<string, Section> */
    private array $sections;

    /**
     * @param iterable<Section>    $sections
     * @param array<string, Offcut> $offcuts by id
     * @param Shelf|null            $behind  where pictures are found, each when it is asked for: all of them may be too
     *     much to hold
     */
    public function __construct(iterable $sections, private array $offcuts = [], private ?Shelf $behind = null)
    {
        $byId = [];
        foreach ($sections as $section) {
            $byId[$section->id->value] = $section;
        }
        $this->sections = $byId;
    }

    public function findSection(SectionId $id): ?Section
    {
        return $this->sections[$id->value] ?? null;
    }

    public function headings(array $ids): array
    {
        $headings = [];
        foreach ($ids as $id) {
            $section = $this->findSection($id) ?? throw InvalidSectionId::notInOutline($id);
            $headings[$id->value] = $section->heading->plainText();
        }

        return $headings;
    }

    public function findOffcut(SectionId $id): ?Offcut
    {
        return $this->offcuts[$id->value] ?? null;
    }

    public function findOffcutHolding(SectionId $section): ?Offcut
    {
        foreach ($this->offcuts as $offcut) {
            if ($offcut->outline->has($section)) {
                return $offcut;
            }
        }

        return null;
    }

    public function findBookmarkOwner(string $name): ?SectionId
    {
        foreach ($this->sections as $section) {
            if (in_array($name, References::in($section)->bookmarks, true)) {
                return $section->id;
            }
        }

        return null;
    }

    public function isLinkedTo(SectionId $id): bool
    {
        foreach ($this->sections as $section) {
            if (isset(References::in($section)->links[$id->value])) {
                return true;
            }
        }

        return false;
    }

    public function references(): array
    {
        return array_map(References::in(...), $this->sections);
    }

    public function contentsHolders(): array
    {
        $holders = array_filter(
            $this->sections,
            static fn(Section $section): bool => References::in($section)->hasContents,
        );

        return array_values(array_map(static fn(Section $section): SectionId => $section->id, $holders));
    }

    public function findPicture(string $hash): ?Picture
    {
        return $this->behind?->findPicture($hash);
    }
}
