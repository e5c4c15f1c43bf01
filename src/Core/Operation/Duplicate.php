<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document;
use Stemmata\Core\IdSource;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Link\References;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/**
 * Puts a copy of each picked branch right after it. Links within the branch lead within the copy; its bookmarks get the
 * next free name.
 */
final readonly class Duplicate implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(private array $sections, private Extent $extent, private IdSource $ids)
    {
    }

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if ($picked->includesOpening($document->outline)) {
            return Refused::openingHasNoLevel();
        }
        $after = $document;
        foreach (array_reverse($picked->runs) as [$from, $to]) {
            $after = $this->withCopy($after, $from, $to);
        }

        return new Applied($after);
    }

    public function restsOn(): Basis
    {
        return Basis::outline(...$this->sections);
    }

    public function describe(Document $before): string
    {
        return 'Duplicated '.Described::sections($before, $this->sections, $this->extent);
    }

    private function withCopy(Document $document, int $from, int $to): Document
    {
        $run = $document->outline->slice($from, $to);
        $originals = array_map($document->section(...), $run->ids());
        $newIds = array_map(fn (): SectionId => $this->ids->next(), $originals);
        $copies = $this->copies($document, $originals, $newIds);

        return $document->withSection(...$copies)->withOutline($document->outline->spliced($to, $to, $run->withIds($newIds)));
    }

    /**
     * @param list<Section>   $originals
     * @param list<SectionId> $newIds
     *
     * @return list<Section>
     */
    private function copies(Document $document, array $originals, array $newIds): array
    {
        $idByOld = [];
        $nameById = [];
        $given = [];
        foreach ($originals as $index => $original) {
            $idByOld[$original->id->value] = $newIds[$index]->value;
            foreach (References::in($original)->bookmarks as $id => $name) {
                $idByOld[$id] = $this->ids->next()->value;
                $free = BookmarkName::free($name, static fn (string $try): bool => isset($given[$try]) || null !== $document->findBookmarkOwner($try));
                $given[$free] = true;
                $nameById[$id] = $free;
            }
        }
        $renew = static fn (Node $node): Node => self::renewed($node, $idByOld, $nameById);

        return array_map(static fn (Section $original, SectionId $newId): Section => $original
            ->copiedAs($newId)
            ->withHeading(Heading::ofInline(array_map(static fn (Node $node): Node => $node->mapped($renew), $original->heading->inline)))
            ->withBody($original->body->mapped($renew)), $originals, $newIds);
    }

    /**
     * @param array<string, string> $idByOld
     * @param array<string, string> $nameById
     */
    private static function renewed(Node $node, array $idByOld, array $nameById): Node
    {
        if ('bookmark' === $node->type) {
            $old = $node->textAttribute('id');

            return $node->withAttributes(['id' => $idByOld[$old] ?? $old, 'name' => $nameById[$old] ?? $node->textAttribute('name')]);
        }

        return LinkTarget::led($node, static function (string $target) use ($idByOld): string {
            $inner = LinkTarget::findInnerId($target);

            return null === $inner || !isset($idByOld[$inner]) ? $target : str_replace($inner, $idByOld[$inner], $target);
        });
    }
}
