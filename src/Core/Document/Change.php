<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\SectionId;

/**
 * What an operation did: everything it touched, as it was and as it is. The journal keeps just this, so undoing needs
 * no
 * rule of its own.
 */
final readonly class Change
{
    /**
     * @param list<OutlineEdit>                               $outlineEdits to be applied in turn
     * @param array<string, array{Section|null, Section|null}> $sections     before and after,
     *     by id; null for not yet there
     * @param array<string, array{Offcut|null, Offcut|null}>   $offcuts      before and after, by id
     * @param array{TitleBlock, TitleBlock}|null               $titleBlock   before and after, when it differs
     * @param array{Setup, Setup}|null                         $setup        before and after, when it differs
     */
    public function __construct(
        public array $outlineEdits,
        public array $sections,
        public array $offcuts,
        public ?array $titleBlock,
        public ?array $setup = null,
    ) {}

    /** @param Document $after made from $before by operations */
    public static function between(Document $before, Document $after): self
    {
        $sections = [];
        foreach ($after->changedSections as $id => $section) {
            $was = $before->findSection(SectionId::fromString((string) $id));
            if ($was != $section) {
                $sections[$id] = [$was, $section];
            }
        }
        $offcuts = [];
        foreach ($after->changedOffcuts as $id => $offcut) {
            $was = $before->findOffcut(SectionId::fromString($id));
            if ($was != $offcut) {
                $offcuts[$id] = [$was, $offcut];
            }
        }

        return new self(
            OutlineEdit::between($before->outline, $after->outline),
            $sections,
            $offcuts,
            $before->titleBlock == $after->titleBlock ? null : [$before->titleBlock, $after->titleBlock],
            $before->setup == $after->setup ? null : [$before->setup, $after->setup],
        );
    }

    public function isEmpty(): bool
    {
        return [] === $this->outlineEdits &&
            [] === $this->sections &&
            [] === $this->offcuts &&
            null === $this->titleBlock &&
            null === $this->setup;
    }

    public function inverted(): self
    {
        return new self(
            array_reverse(
                array_map(static fn(OutlineEdit $edit): OutlineEdit => $edit->inverted(), $this->outlineEdits),
            ),
            array_map(array_reverse(...), $this->sections),
            array_map(array_reverse(...), $this->offcuts),
            null === $this->titleBlock ? null : array_reverse($this->titleBlock),
            null === $this->setup ? null : array_reverse($this->setup),
        );
    }

    /** This change and one made right after it, as one. What came and went again is no part of it. */
    public function followedBy(self $next): self
    {
        return new self(
            [...$this->outlineEdits, ...$next->outlineEdits],
            self::joined($this->sections, $next->sections),
            self::joined($this->offcuts, $next->offcuts),
            self::joinedPair($this->titleBlock, $next->titleBlock),
            self::joinedPair($this->setup, $next->setup),
        );
    }

    public function appliedToOutline(Outline $outline): Outline
    {
        foreach ($this->outlineEdits as $edit) {
            $outline = $edit->appliedTo($outline);
        }

        return $outline;
    }

    /** @return list<string> ids of sections that left the outline, whether to the offcuts or into another section */
    public function removedIds(): array
    {
        $removed = [];
        foreach ($this->outlineEdits as $edit) {
            foreach ($edit->removed->ids() as $id) {
                $removed[$id->value] = true;
            }
            foreach ($edit->inserted->ids() as $id) {
                unset($removed[$id->value]);
            }
        }

        return array_map(strval(...), array_keys($removed));
    }

    /**
     * @template T of object
     *
     * @param array<string, array{T|null, T|null}> $first
     * @param array<string, array{T|null, T|null}> $second
     *
     * @return array<string, array{T|null, T|null}>
     */
    private static function joined(array $first, array $second): array
    {
        foreach ($second as $id => [$before, $after]) {
            $before = array_key_exists($id, $first) ? $first[$id][0] : $before;
            $first[$id] = [$before, $after];
            if ($before == $after) {
                unset($first[$id]);
            }
        }

        return $first;
    }

    /**
     * @template T of object
     *
     * @param array{T, T}|null $first
     * @param array{T, T}|null $second
     *
     * @return array{T, T}|null
     */
    private static function joinedPair(?array $first, ?array $second): ?array
    {
        if (null === $first || null === $second) {
            return $first ?? $second;
        }

        return $first[0] == $second[1] ? null : [$first[0], $second[1]];
    }
}
