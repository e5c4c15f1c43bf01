<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Offcut;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/** Deletes sections or sets them aside: each picked branch leaves the outline and becomes an offcut. */
final readonly class CutOut implements Operation
{
    /** @param list<SectionId> $sections */
    public function __construct(
        private array $sections,
        private Extent $extent,
        private OffcutReason $reason,
        private IdSource $ids,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, $this->extent);
        if ($picked instanceof Refused) {
            return $picked;
        }
        $headings = count($picked->runs) > 1 ? $document->headings() : [];
        $offcuts = [];
        $exchanges = [];
        foreach ($picked->runs as [$from, $to]) {
            $exchanges[] = [$from, $to, Outline::empty()];
            $offcuts[] = new Offcut(
                $this->ids->next(),
                $this->reason,
                $document->outline->levelAt($from)->isOpening()
                    ? 'Opening'
                    : $headings[$from] ?? $document->sectionAt($from)->heading->plainText(),
                0 === $from ? null : $document->outline->idAt($from - 1),
                $document->outline->slice($from, $to),
            );
        }

        $after = $document
            ->withOutline($document->outline->splicedAt($exchanges))
            ->withOffcut(...array_reverse($offcuts));

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        $done = match ($this->reason) {
            OffcutReason::Deleted => 'Deleted ',
            OffcutReason::SetAside, OffcutReason::Idea => 'Set aside ',
            OffcutReason::MovedAway => 'Moved to another document: ',
        };

        return $done . Described::branches($before, $this->sections, $this->extent);
    }
}
