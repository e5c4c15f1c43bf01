<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Outline\InvalidSectionId;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\Scope;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\KindsIn;
use Stemmata\Core\Text\Picture;

/**
 * A document: title block, outline, and the text of its sections as far as anyone asks for it.
 *
 * Immutable. What an operation changes lies on top of the shelf that the document was opened from; `changed*` tell what
 * that is, so storage writes that and no more.
 */
final readonly class Document
{
    /**
     * @param array<string, Section|null> $changedSections by id; null for one that is gone
     * @param array<string, Offcut|null>  $changedOffcuts  by id; null for one that is gone
     * @param self|null                   $whole           the document that this is a part of
     * @param array<string, Picture>      $pictures        by hash: those that came with the changed texts
     */
    private function __construct(
        public TitleBlock $titleBlock,
        public Outline $outline,
        public Setup $setup,
        private Shelf $shelf,
        public array $changedSections = [],
        public array $changedOffcuts = [],
        public ?self $whole = null,
        public array $pictures = [],
    ) {}

    public static function opened(TitleBlock $titleBlock, Outline $outline, Setup $setup, Shelf $shelf): self
    {
        return new self($titleBlock, $outline, $setup, $shelf);
    }

    /** @param list<array{Level, Section}> $sections in order, the opening, if any, first */
    public static function of(TitleBlock $titleBlock, array $sections): self
    {
        $ids = '';
        $levels = '';
        foreach ($sections as [$level, $section]) {
            $ids .= $section->id->value;
            $levels .= $level->value;
        }

        return new self(
            $titleBlock,
            Outline::packed($ids, $levels, str_repeat('0', strlen($levels))),
            Setup::plain(),
            new MemoryShelf(array_column($sections, 1)),
        );
    }

    /** @throws InvalidSectionId when neither the document nor its offcuts hold it */
    public function section(SectionId $id): Section
    {
        return $this->findSection($id) ?? throw InvalidSectionId::notInOutline($id);
    }

    public function findSection(SectionId $id): ?Section
    {
        return array_key_exists($id->value, $this->changedSections)
            ? $this->changedSections[$id->value]
            : $this->shelf->findSection($id);
    }

    public function sectionAt(int $position): Section
    {
        return $this->section($this->outline->idAt($position));
    }

    /** @return iterable<int, Section> every section in order, by position */
    public function sections(): iterable
    {
        foreach ($this->outline->ids() as $position => $id) {
            yield $position => $this->section($id);
        }
    }

    /** How a sentence speaks of a section, whose text is not read for it. */
    public function nameAt(int $position): string
    {
        if ($this->outline->levelAt($position)->isOpening()) {
            return 'the opening';
        }
        $id = $this->outline->idAt($position);
        $kept = isset($this->changedSections[$id->value]) ? null : $this->shelf->headings([$id])[$id->value] ?? null;
        $heading = $kept ?? $this->section($id)->heading->plainText();

        return Section::nameOf('' === trim($heading) ? $this->namingNumbers()[$position] ?? '' : $heading);
    }

    /** @return list<string> the numbers that stand for headings without words, by position; none when they do not */
    public function namingNumbers(): array
    {
        return $this->setup->numbering->namesSections() ? $this->numbers() : [];
    }

    /** @return list<string> the plain heading of each section, in order */
    public function headings(): array
    {
        $ids = $this->outline->ids();
        $kept = $this->shelf->headings(
            array_values(array_filter($ids, fn(SectionId $id): bool => !isset($this->changedSections[$id->value]))),
        );

        return array_map(
            fn(SectionId $id): string => $kept[$id->value] ?? $this->section($id)->heading->plainText(),
            $ids,
        );
    }

    /**
     * A part of it as a document of its own, numbered as it is here. One branch is called by its heading, several as the
     * whole is.
     */
    public function part(Scope $scope): self
    {
        $outline = $scope->in($this->outline);
        $isBranch = 1 === count($scope->runs) && $outline->branchEnd(0) === $outline->count();

        return new self(
            $isBranch
                ? new TitleBlock(
                    $this->section($outline->idAt(0))->heading->plainText(),
                    author: $this->titleBlock->author,
                    language: $this->titleBlock->language,
                    date: $this->titleBlock->date,
                )
                : $this->titleBlock,
            $outline,
            $this->setup,
            $this->shelf,
            $this->changedSections,
            $this->changedOffcuts,
            $this,
            $this->pictures,
        );
    }

    public function findOffcut(SectionId $id): ?Offcut
    {
        return array_key_exists($id->value, $this->changedOffcuts)
            ? $this->changedOffcuts[$id->value]
            : $this->shelf->findOffcut($id);
    }

    public function findOffcutHolding(SectionId $section): ?Offcut
    {
        foreach ($this->changedOffcuts as $offcut) {
            if (null !== $offcut && $offcut->outline->has($section)) {
                return $offcut;
            }
        }
        $kept = $this->shelf->findOffcutHolding($section);

        return null === $kept || array_key_exists($kept->id->value, $this->changedOffcuts) ? null : $kept;
    }

    /** A changed section answers for itself; for the others the shelf does. */
    public function findBookmarkOwner(string $name): ?SectionId
    {
        foreach ($this->changedSections as $section) {
            if (null !== $section && in_array($name, References::in($section)->bookmarks, true)) {
                return $section->id;
            }
        }
        $owner = $this->shelf->findBookmarkOwner($name);

        return null === $owner || array_key_exists($owner->value, $this->changedSections) ? null : $owner;
    }

    public function isLinkedTo(SectionId $id): bool
    {
        foreach ($this->changedSections as $section) {
            if (null !== $section && isset(References::in($section)->links[$id->value])) {
                return true;
            }
        }

        return $this->shelf->isLinkedTo($id);
    }

    /**
     * @return array<int, References> what the sections of the outline name and where they point, by position, in order
     */
    public function references(): array
    {
        $byId = $this->shelf->references();
        foreach ($this->changedSections as $id => $section) {
            $byId[$id] = null === $section ? null : References::in($section);
        }
        $references = [];
        foreach ($this->outline->ids() as $position => $id) {
            if (isset($byId[$id->value])) {
                $references[$position] = $byId[$id->value];
            }
        }

        return $references;
    }

    /** @return list<SectionId> the sections in the outline whose text holds a contents block, in no order */
    public function contentsHolders(): array
    {
        $holders = [];
        foreach ($this->shelf->contentsHolders() as $id) {
            $holders[$id->value] = $id;
        }
        foreach ($this->changedSections as $id => $section) {
            $holders[$id] = null !== $section && References::in($section)->hasContents ? $section->id : null;
        }

        return array_values(
            array_filter($holders, fn(?SectionId $id): bool => null !== $id && $this->outline->has($id)),
        );
    }

    public function findPicture(string $hash): ?Picture
    {
        return $this->pictures[$hash] ?? $this->shelf->findPicture($hash);
    }

    public function withTitleBlock(TitleBlock $titleBlock): self
    {
        return $this->with(titleBlock: $titleBlock);
    }

    public function withOutline(Outline $outline): self
    {
        return $this->with(outline: $outline);
    }

    public function withSetup(Setup $setup): self
    {
        return $this->with(setup: $setup);
    }

    /** @param array<string, Picture> $pictures by hash; shown by sections that are changed as well */
    public function withPictures(array $pictures): self
    {
        return [] === $pictures ? $this : $this->with(pictures: $this->pictures + $pictures);
    }

    /** @return list<string> the number of each section by the document's scheme, empty for one without */
    public function numbers(): array
    {
        if (null !== $this->whole) {
            $numbers = $this->whole->numbers();
            $positions = $this->whole->outline->positions();

            return array_map(
                static fn(SectionId $id): string => $numbers[$positions[$id->value]] ?? '',
                $this->outline->ids(),
            );
        }

        return Numbers::of($this->outline, $this->setup->numbering);
    }

    public function withSection(Section ...$sections): self
    {
        $changed = $this->changedSections;
        foreach ($sections as $section) {
            $changed[$section->id->value] = $section;
        }

        return $this->with(changedSections: $changed);
    }

    /** With the kinds of another document that these sections of it are of, as far as this one lacks them. */
    public function withKindsOf(self $other, Section ...$sections): self
    {
        $names = array_keys(
            KindsIn::of(
                array_map(
                    static fn(Section $each): array => [...$each->heading->inline, ...$each->body->blocks],
                    array_values($sections),
                ),
            ),
        );
        $sheet = $this->setup->sheet();
        $with = $sheet->withOwnOf($other->setup->sheet()->withoutOwnBut($names));

        return $with == $sheet ? $this : $this->withSetup($this->setup->withSheet($with));
    }

    /** For one whose text went into another section; a deleted section goes to the offcuts and stays. */
    public function withoutSection(SectionId $id): self
    {
        return $this->with(changedSections: [...$this->changedSections, $id->value => null]);
    }

    /**
     * Takes over all that a change holds; it must have been made from just this state, or be the inverse of one that
     * led to it.
     */
    public function changedBy(Change $change): self
    {
        return $this->with(
            $change->titleBlock[1] ?? null,
            $change->appliedToOutline($this->outline),
            $change->setup[1] ?? null,
            [...$this->changedSections, ...array_map(static fn(array $pair): ?Section => $pair[1], $change->sections)],
            [...$this->changedOffcuts, ...array_map(static fn(array $pair): ?Offcut => $pair[1], $change->offcuts)],
        );
    }

    public function withOffcut(Offcut ...$offcuts): self
    {
        $states = [];
        foreach ($offcuts as $offcut) {
            $states[$offcut->id->value] = $offcut;
        }

        return $this->withOffcutStates($states);
    }

    public function withoutOffcut(SectionId $id): self
    {
        return $this->withOffcutStates([$id->value => null]);
    }

    /** @param array<string, Offcut|null> $states by id */
    private function withOffcutStates(array $states): self
    {
        return $this->with(changedOffcuts: [...$this->changedOffcuts, ...$states]);
    }

    /**
     * The same document with what is named in place of its own; a branch that is changed stands for itself.
     *
     * @param array<string, Section|null>|null $changedSections
     * @param array<string, Offcut|null>|null  $changedOffcuts
     * @param array<string, Picture>|null      $pictures
     */
    private function with(
        ?TitleBlock $titleBlock = null,
        ?Outline $outline = null,
        ?Setup $setup = null,
        ?array $changedSections = null,
        ?array $changedOffcuts = null,
        ?array $pictures = null,
    ): self {
        return new self(
            $titleBlock ?? $this->titleBlock,
            $outline ?? $this->outline,
            $setup ?? $this->setup,
            $this->shelf,
            $changedSections ?? $this->changedSections,
            $changedOffcuts ?? $this->changedOffcuts,
            null,
            $pictures ?? $this->pictures,
        );
    }
}
