<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Outline\SectionId;

/**
 * Gives each branch right under a section, or under the whole document, an equal share of its target. Branches that
 * have a target of their own keep it; what it leaves is shared by the others.
 */
final readonly class SpreadTarget implements Operation
{
    /** @param SectionId|null $section null for the document */
    public function __construct(private ?SectionId $section) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (null !== $this->section && !$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $target = null === $this->section ? $document->titleBlock->target : $document->section($this->section)->target;
        if (null === $target) {
            return Refused::noTargetToSpread();
        }
        $without = [];
        $left = $target;
        foreach ($this->branches($document) as $position) {
            $branch = $document->sectionAt($position);
            if (null === $branch->target) {
                $without[] = $branch;
            } else {
                $left -= $branch->target;
            }
        }
        if ([] === $without) {
            return Refused::nothingToSpreadOver();
        }
        if ($left < count($without)) {
            return Refused::targetIsSpent();
        }
        $shares = [];
        foreach ($without as $index => $branch) {
            $shares[] = $branch->withTarget(
                intdiv($left, count($without)) + ($index < $left % count($without) ? 1 : 0),
            );
        }

        return new Applied($document->withSection(...$shares));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return null === $this->section
            ? 'Spread the target over the chapters'
            : 'Spread the target of ' . Described::section($before, $this->section);
    }

    /** @return iterable<int> positions of the branches right under it */
    private function branches(Document $document): iterable
    {
        $outline = $document->outline;
        $from = null === $this->section ? 0 : $outline->positionOf($this->section) + 1;
        $to = null === $this->section ? $outline->count() : $outline->branchEnd($from - 1);
        for ($position = $from; $position < $to; $position = $outline->branchEnd($position)) {
            if (!$outline->levelAt($position)->isOpening()) {
                yield $position;
            }
        }
    }
}
