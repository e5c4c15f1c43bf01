<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Counting\Targets;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Marker;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Shape;

/**
 * Sets what the writer notes about sections: aim, target, marker, stage, how the heading is shaped by hand, whether
 * numbered, whether in the contents. Null leaves a point as it is.
 */
final readonly class DescribeSection implements Operation
{
    /**
     * @param list<SectionId> $sections
     * @param int|null        $target   words; 0 takes the target away
     */
    public function __construct(
        private array $sections,
        private ?string $aim = null,
        private ?int $target = null,
        private ?Marker $marker = null,
        private ?bool $numbered = null,
        private ?bool $appendix = null,
        private ?bool $inContents = null,
        private ?Stage $stage = null,
        private ?Shape $shape = null,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, Extent::HeadingOnly);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if (null !== $this->target && ($this->target < 0 || $this->target > Targets::HIGHEST)) {
            return Refused::wrongTarget();
        }
        $noted = [];
        $flags = [];
        foreach ($picked->runs as [$position]) {
            $flags[$position] = $this->flags($document->outline->flagsAt($position));
            array_push($noted, ...$this->noted($document, $position));
        }

        return new Applied($document->withSection(...$noted)->withOutline($document->outline->withFlags($flags)));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        $what = match (true) {
            null !== $this->aim => 'the aim',
            null !== $this->target => 'the target',
            null !== $this->marker => 'the marker',
            null !== $this->stage => 'the stage',
            null !== $this->shape => 'the look',
            null !== $this->numbered || null !== $this->appendix => 'the numbering',
            default => 'the place in the contents',
        };

        return sprintf('Changed %s of %s', $what, Described::sections($before, $this->sections));
    }

    private function flags(int $flags): int
    {
        $flags = self::flag($flags, Outline::UNNUMBERED, null === $this->numbered ? null : !$this->numbered);
        $flags = self::flag($flags, Outline::APPENDIX, $this->appendix);

        return self::flag(
            $flags,
            Outline::LEFT_OUT_OF_CONTENTS,
            null === $this->inContents ? null : !$this->inContents,
        );
    }

    /** @return list<Section> the section as it is now noted, when that differs */
    private function noted(Document $document, int $position): array
    {
        // A flag is the outline’s; no section needs to be read for it.
        if (null === ($this->aim ?? ($this->target ?? ($this->marker ?? ($this->stage ?? $this->shape))))) {
            return [];
        }
        $section = $document->sectionAt($position);
        $noted = $section
            ->withAim($this->aim ?? $section->aim)
            ->withTarget(0 === $this->target ? null : $this->target ?? $section->target)
            ->withMarker($this->marker ?? $section->marker)
            ->withStage($this->stage ?? $section->stage)
            ->withShape($this->shape ?? $section->shape);

        return $noted == $section ? [] : [$noted];
    }

    private static function flag(int $flags, int $bit, ?bool $on): int
    {
        return match ($on) {
            null => $flags,
            true => $flags | $bit,
            false => $flags & ~$bit,
        };
    }
}
