<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Operation\Rule\FromOffcuts;
use Stemmata\Core\Operation\Rule\TakenBookmark;
use Stemmata\Core\Operation\Rule\TypedText;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/**
 * Writing across headings: a stretch from a place in one section to a place in a later one gives way to other words, as
 * when it is selected and typed over, deleted or pasted into. The first section stays and takes what stands there now.
 * The others leave the outline and lie among the offcuts; what of the last was kept, because it stood behind the
 * stretch, is part of the new text and no longer of the offcut.
 */
final readonly class ReplaceStretch implements Operation
{
    /**
     * @param non-empty-list<SectionId>                          $sections the stretch reaches: neighbours, in order
     * @param int|null                                           $keptFrom where in the last one's body what was kept
     *     begins (0-based, as the editor counts); null when nothing of it was, or when there is but one section
     * @param non-empty-list<array{Heading, Body, Level|null, SectionId|null}>   $texts    the first section's as it reads now, and those
     *     of new sections after it, each with its level and the id that the window gave it
     */
    public function __construct(
        private array $sections,
        private ?int $keptFrom,
        private array $texts,
        private OffcutReason $reason,
        private IdSource $ids,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $before = $document;
        foreach ($this->texts as [, , , $id]) {
            $document = null === $id ? $document : FromOffcuts::taken($document, $id);
        }
        $position = $document->outline->findPosition($this->sections[0]);
        if (null === $position) {
            return Refused::unknownSection($this->sections[0]->value);
        }
        $count = count($this->sections);
        $stretch = $document->outline->slice($position, $position + $count);
        if (array_map(static fn(SectionId $id): string => $id->value, $this->sections) !== self::idsIn($stretch)) {
            return Refused::notNeighbours();
        }
        if ($document->outline->levelAt($position)->isOpening() && !$this->texts[0][0]->isEmpty()) {
            return Refused::openingHasNoLevel();
        }
        $last = $document->section($this->sections[$count - 1]);
        if (null !== $this->keptFrom && ($this->keptFrom < 0 || $this->keptFrom > $last->body->size())) {
            return Refused::positionOutside();
        }
        $after = $count > 1 ? $this->withoutRest($document, $position, $stretch, $last) : $document;
        $first = $document->section($this->sections[0])->withHeading($this->texts[0][0])->withBody($this->texts[0][1]);
        $taken = TakenBookmark::findIn($after, $first);
        if (null !== $taken) {
            return $taken;
        }
        $after = $this->withNew(TypedText::in($after, $first), $position, $before);

        return $after instanceof Refused ? $after : new Applied($after, FallenUnder::notices($before, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::outline(...$this->sections);
    }

    public function describe(Document $before): string
    {
        $count = count($this->sections);
        $more = count($this->texts) - 1;
        if (1 === $count) {
            return (0 === $more ? 'Wrote in ' : 'Split ') . Described::section($before, $this->sections[0]);
        }

        return sprintf(
            'Wrote from %s to %s',
            Described::section($before, $this->sections[0]),
            Described::section($before, $this->sections[$count - 1]),
        );
    }

    /** @return list<string> */
    private static function idsIn(Outline $outline): array
    {
        return array_map(static fn(SectionId $id): string => $id->value, $outline->ids());
    }

    private function withoutRest(Document $document, int $position, Outline $stretch, Section $last): Document
    {
        $rest = $stretch->slice(1, $stretch->count());
        $offcut = new Offcut(
            $this->ids->next(),
            $this->reason,
            $document->sectionAt($position + 1)->heading->plainText(),
            $this->sections[0],
            $rest,
        );
        $cut = null === $this->keptFrom ? $last : $last->withBody($last->body->cut(0, $this->keptFrom));

        return $document
            ->withSection($cut)
            ->withOutline($document->outline->without($position + 1, $position + $stretch->count()))
            ->withOffcut($offcut);
    }

    /** @param Document $before as it was, with what has just been cut among the offcuts */
    private function withNew(Document $document, int $position, Document $before): Document|Refused
    {
        $entries = Outline::empty();
        foreach (array_slice($this->texts, 1) as [$heading, $body, $level, $id]) {
            if (null !== $id && $document->outline->has($id)) {
                return Refused::idTaken();
            }
            // What was cut and is pasted is itself again, with all that was said of it.
            $was = null === $id ? null : $document->findSection($id);
            if (null !== $id && null !== $was && null !== $document->findOffcutHolding($id)) {
                return Refused::idTaken();
            }
            $section = ($was ?? Section::blank($id ?? $this->ids->next()))->withHeading($heading)->withBody($body);
            if (null === $level || $level->isOpening()) {
                return Refused::openingHasNoLevel();
            }
            $document = $document->withSection($section->withHeading(Heading::none())->withBody(Body::empty()));
            $taken = TakenBookmark::findIn($document, $section);
            if (null !== $taken) {
                return $taken;
            }
            $document = TypedText::in($document, $section);
            $offcut = null === $was ? null : $before->findOffcutHolding($section->id);
            $flags = null === $offcut ? 0 : $offcut->outline->flagsAt($offcut->outline->positionOf($section->id));
            $entries = $entries->followedBy(Outline::of($section->id, $level, $flags));
        }

        return $document->withOutline($document->outline->spliced($position + 1, $position + 1, $entries));
    }
}
