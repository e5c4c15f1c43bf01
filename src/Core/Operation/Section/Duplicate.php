<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Copies;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;

/**
 * Puts a copy of each picked branch right after it. Links within the branch lead within the copy; its bookmarks get the
 * next free name.
 */
final readonly class Duplicate implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(private array $sections, private Extent $extent, private IdSource $ids) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if ($picked->includesOpening($document->outline)) {
            return Refused::openingHasNoLevel();
        }
        $copies = [];
        $exchanges = [];
        $into = $document;
        foreach ($picked->runs as [$from, $to]) {
            $run = $document->outline->slice($from, $to);
            $originals = array_map($document->section(...), $run->ids());
            $newIds = array_map(fn(): SectionId => $this->ids->next(), $originals);
            $made = Copies::of($originals, $newIds, $into, $this->ids);
            $exchanges[] = [$to, $to, $run->withIds($newIds)];
            array_push($copies, ...$made);
            // A name of a bookmark that the copies so far have taken is no longer free.
            $into = Copies::haveBookmarks($made) ? $document->withSection(...$copies) : $into;
        }

        $after = $document->withSection(...$copies)->withOutline($document->outline->splicedAt($exchanges));

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline(...$this->sections);
    }

    public function describe(Document $before): string
    {
        return 'Duplicated ' . Described::branches($before, $this->sections, $this->extent);
    }
}
