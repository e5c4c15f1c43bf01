<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Between;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Copies;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Rule\LandingPlace;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * Copies branches of another document to a place in this one. Each takes the level of the place; links inside what is
 * copied follow it, links to what stayed behind lead nowhere here and are told of.
 */
final readonly class TakeBranches implements Operation
{
    /**
     * @param list<SectionId> $sections of the other document
     * @param SectionId|null  $target   null for the end of this document, at level 1
     */
    public function __construct(
        private Document $other,
        private array $sections,
        private Landing $landing,
        private ?SectionId $target,
        private IdSource $ids,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($this->other->outline, $this->sections, Extent::Branch);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if ($picked->includesOpening($this->other->outline)) {
            return Refused::openingHasNoLevel();
        }
        $place = null === $this->target ? null : LandingPlace::in($document->outline, $this->landing, $this->target);
        if ($place instanceof Refused) {
            return $place;
        }
        $taken = Outline::empty();
        foreach ($picked->runs as [$from, $to]) {
            $run = $this->other->outline->slice($from, $to);
            $fitted = $run->findShifted(($place->level ?? Level::One)->value - $run->levelAt(0)->value);
            if (null === $fitted) {
                return Refused::tooDeep($this->other->nameAt($from));
            }
            $taken = $taken->followedBy($fitted);
        }
        $originals = array_map($this->other->section(...), $taken->ids());
        $newIds = array_map(fn(): SectionId => $this->ids->next(), $originals);
        $copies = Copies::of($originals, $newIds, $document, $this->ids);
        $at = $place->position ?? $document->outline->count();
        $after = $document
            ->withPictures($this->other->pictures)
            ->withKindsOf($this->other, ...$copies)
            ->withSection(...$copies)
            ->withOutline($document->outline->spliced($at, $at, $taken->withIds($newIds)));

        return new Applied($after, [...self::leftBehind($after, $copies), ...FallenUnder::notices($document, $after)]);
    }

    public function restsOn(): Basis
    {
        return Basis::outline();
    }

    public function describe(Document $before): string
    {
        $title = trim($this->other->titleBlock->title);

        return sprintf(
            'Took %s from “%s”',
            Described::branches($this->other, $this->sections),
            '' === $title ? 'Untitled' : $title,
        );
    }

    /**
     * @param list<Section> $copies
     *
     * @return list<Notice>
     */
    private static function leftBehind(Document $after, array $copies): array
    {
        $bookmarks = [];
        foreach ($copies as $copy) {
            $bookmarks += References::in($copy)->bookmarks;
        }
        $count = 0;
        $holders = [];
        foreach ($copies as $copy) {
            foreach (array_keys(References::in($copy)->links) as $id) {
                $id = (string) $id;
                if (!isset($bookmarks[$id]) && !$after->outline->has(SectionId::fromString($id))) {
                    ++$count;
                    $holders[$copy->id->value] = $copy->id->value;
                }
            }
        }

        return 0 === $count
            ? []
            : [
                new Notice(
                    1 === $count
                        ? 'One link leads to what stayed behind; it is among the findings there.'
                        : sprintf('%d links lead to what stayed behind; they are among the findings there.', $count),
                    array_slice(array_values($holders), 0, 100),
                ),
            ];
    }
}
