<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use Stemmata\Core\Document\Reading;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Rule\Refreshing;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Desk\View\DocumentCard;
use Stemmata\Http\Desk\View\RemovedDocument;
use Stemmata\Http\Document\View\ChangesSince;
use Stemmata\Http\Document\View\OrderEdit;
use Stemmata\Http\Document\View\OutlineColumns;
use Stemmata\Http\Document\View\SectionFacts;
use Stemmata\Http\Document\View\SectionText;
use Stemmata\Http\Document\View\Skeleton;
use Stemmata\Http\Document\View\TitleBlockView;
use Stemmata\Http\Document\View\TypedSignsView;
use Stemmata\Http\Operation\View\NoticeView;
use Stemmata\Http\Operation\View\WriteOutcome;
use Stemmata\Storage\Document\Written;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Section\Facts;

/** Puts what is stored into the shapes that the interface is told. */
final readonly class ViewOf
{
    /** A window opens on some eight sections, the resume point among them. */
    private const OPENED_ABOVE = 2;
    private const OPENED = 8;
    /** One of them may be a book of its own, which the window then asks for when it comes to it. */
    private const OPENED_WORDS = 6000;

    public function __construct(private Facts $facts) {}

    public function card(DocumentRecord $record): DocumentCard
    {
        $words = $this->facts->wordsInOrder($record->id, $record->outline());
        $resume =
            null === $record->resumeSection
                ? null
                : $this->facts->ofSections($record->id, [$record->resumeSection])[$record->resumeSection] ?? null;

        return new DocumentCard(
            $record->id,
            $this->name($record),
            $record->subtitle,
            array_sum($words),
            $record->target,
            $record->changedAt,
            $record->revision,
            $record->pageCount,
            $record->pagedRevision !== $record->revision,
            $resume['heading'] ?? null,
            $record->outlineLevels,
            $words,
            new \ArrayObject(
                Stage::shares(
                    str_split($record->outlineIds, SectionId::LENGTH),
                    $words,
                    $this->facts->stages($record->id),
                ),
            ),
        );
    }

    private function name(DocumentRecord $record): string
    {
        if ('' !== trim($record->title)) {
            return $record->title;
        }
        $first = array_slice(str_split($record->outlineIds, SectionId::LENGTH), 0, TitleBlock::NAMING);
        $facts = $this->facts->ofSections($record->id, $first);

        return TitleBlock::name('', array_map(static fn(string $id): string => $facts[$id]['heading'] ?? '', $first));
    }

    public function removed(DocumentRecord $record): RemovedDocument
    {
        return new RemovedDocument(
            $record->id,
            $this->name($record),
            $record->removedAt ?? 0,
            array_sum($this->facts->wordsInOrder($record->id, $record->outline())),
        );
    }

    public function skeleton(DocumentRecord $record): Skeleton
    {
        $facts = $this->facts->ofAllSections($record->id);
        $outline = $record->outline();

        return new Skeleton(
            $record->id,
            $record->revision,
            $record->outlineRevision,
            $this->titleBlock($record->titleBlock()),
            $record->resumeSection,
            $record->resumePosition,
            $this->outline($outline),
            array_map(
                static fn(SectionId $id): SectionFacts => new SectionFacts(...$facts[$id->value]),
                $outline->ids(),
            ),
            $this->texts($record->id, self::openedOn($outline, $record->resumeSection, $facts)),
        );
    }

    /**
     * @param array<string, array{words: int}> $facts
     *
     * @return list<string>
     */
    private static function openedOn(Outline $outline, ?string $resume, array $facts): array
    {
        $at = null === $resume ? 0 : $outline->findPosition(SectionId::fromString($resume)) ?? 0;
        $opened = [];
        $words = 0;
        foreach (
            $outline
                ->slice(
                    max(0, $at - self::OPENED_ABOVE),
                    min($outline->count(), $at + self::OPENED - self::OPENED_ABOVE),
                )
                ->ids()
            as $id
        ) {
            if ($words + $facts[$id->value]['words'] <= self::OPENED_WORDS) {
                $words += $facts[$id->value]['words'];
                $opened[] = $id->value;
            }
        }

        return $opened;
    }

    public function changesSince(DocumentRecord $record, int $revision): ChangesSince
    {
        return new ChangesSince(
            $record->revision,
            $record->outlineRevision,
            $this->titleBlock($record->titleBlock()),
            $record->outlineRevision > $revision ? $this->outline($record->outline()) : null,
            $this->sectionFacts($this->facts->ofSectionsSince($record->id, $revision)),
        );
    }

    /**
     * @param string|null $typedIn the section, for typing: the window that typed has its text, unless pictures were taken out
     *     of it, or contents in it followed what was typed
     */
    public function writeOutcome(string $documentId, Written $written, ?string $typedIn = null): WriteOutcome
    {
        $touched = array_map(strval(...), array_keys($written->change->sections));
        $entered = [];
        foreach ($written->change->outlineEdits as $edit) {
            $entered = [
                ...$entered,
                ...array_map(static fn(SectionId $id): string => $id->value, $edit->inserted->ids()),
            ];
        }
        $typed = null === $typedIn ? null : $written->change->sections[$typedIn][1] ?? null;
        $isKnown = null !== $typed && !$written->hasPictures && !Refreshing::isWantedIn($typed->body);
        $known = $isKnown ? [$typedIn] : [];
        // A section that comes back from the offcuts is not changed, yet the window may not know it.
        $returned = [] === $written->change->offcuts ? [] : $entered;

        return new WriteOutcome(
            $written->previousRevision,
            $written->revision,
            $written->outlineRevision,
            array_map(
                fn(OutlineEdit $edit): OrderEdit => new OrderEdit(
                    $edit->at,
                    $edit->removed->count(),
                    $this->outline($edit->inserted),
                ),
                $written->change->outlineEdits,
            ),
            $this->sectionFacts(
                $this->facts->ofSections($documentId, array_values(array_unique([...$touched, ...$returned]))),
            ),
            $this->texts($documentId, array_values(array_diff($touched, $known))),
            $written->change->removedIds(),
            null === $written->change->titleBlock ? null : $this->titleBlock($written->change->titleBlock[1]),
            $written->label,
            array_map(
                static fn(Notice $notice): NoticeView => new NoticeView($notice->sentence, $notice->sections),
                $written->notices,
            ),
            array_map(static fn(Reading $each): string => $each->value, Reading::outdatedBy($written->change)),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<SectionText>
     */
    public function texts(string $documentId, array $ids): array
    {
        return array_map(
            static fn(array $text): SectionText => new SectionText(...$text),
            $this->facts->texts($documentId, $ids),
        );
    }

    private function outline(Outline $outline): OutlineColumns
    {
        return new OutlineColumns(
            array_map(static fn(SectionId $id): string => $id->value, $outline->ids()),
            $outline->levels,
            $outline->flags,
        );
    }

    private function titleBlock(TitleBlock $block): TitleBlockView
    {
        return new TitleBlockView(
            $block->title,
            $block->subtitle,
            $block->author,
            $block->guidingStatement,
            $block->target,
            $block->language,
            $block->date,
            $block->question,
            TypedSignsView::of($block->language),
        );
    }

    /**
     * @param array<string, array{id: string, heading: string, words: int, aim: string, target: int|null,
     *     marker: string, stage: string, shape: string, revision: int}> $facts
     *
     * @return list<SectionFacts>
     */
    private function sectionFacts(array $facts): array
    {
        return array_map(static fn(array $each): SectionFacts => new SectionFacts(...$each), array_values($facts));
    }
}
