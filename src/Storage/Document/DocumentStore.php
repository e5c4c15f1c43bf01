<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\History\Thinning;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Refreshing;
use Stemmata\Core\Operation\Text\Typing;
use Stemmata\Core\Outline\InvalidSectionId;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Entity\JournalEntry;
use Stemmata\Storage\Entity\SectionRecord;
use Stemmata\Storage\File\StoredFiles;
use Stemmata\Storage\History\ChangeForm;
use Stemmata\Storage\History\Journal;
use Stemmata\Storage\Section\ChangeWriter;
use Stemmata\Storage\Section\KnownTexts;
use Stemmata\Storage\Section\StoredShelf;

/**
 * The one way by which a document is changed. Each change is a single transaction that also writes the journal.
 *
 * A change is worked out and encoded first, without keeping anyone waiting; with the write lock it is only written, and
 * only if the document is still as it was. When another window was quicker, it is worked out once more, under the lock.
 */
final readonly class DocumentStore
{
    private const IDS_PER_QUERY = 1000;
    private const STEPS_THINNED_AT_ONCE = 400;
    private const STALE = 'Another window has changed this part of the document since; here is how it reads now.';
    private const STALE_STEP = 'Another window has changed the document since; look at how it reads now before undoing or redoing.';

    public function __construct(
        private EntityManagerInterface $entities,
        private WriteLock $lock,
        private ChangeWriter $writer,
        private Journal $journal,
        private KnownTexts $known,
        private StoredFiles $files,
        private CurrentWriter $current,
        private ClockInterface $clock,
    ) {}

    /** @throws UnknownDocument */
    public function get(string $id): DocumentRecord
    {
        $record = $this->entities->find(DocumentRecord::class, $id);

        return null === $record ||
            $record->ownerId !== $this->current->id() ||
            null !== $record->removedAt ||
            null !== $record->arrivingSince
            ? throw UnknownDocument::withId($id)
            : $record;
    }

    /** @throws UnknownDocument */
    public function document(string $id): Document
    {
        return $this->get($id)->document($this->shelf($id));
    }

    /**
     * @param list<SectionId> $ids
     *
     * @return iterable<Section> as they are stored, in this order
     */
    public function sectionsInTurn(string $id, array $ids): iterable
    {
        return $this->shelf($id)->inTurn($ids);
    }

    /**
     * With every text read at once, for what looks at all of them.
     *
     * @throws UnknownDocument
     */
    public function wholeDocument(string $id): Document
    {
        return $this->get($id)->document($this->shelf($id)->filled());
    }

    public function shelf(string $id): StoredShelf
    {
        return new StoredShelf($this->entities, $this->known, $this->files, $id);
    }

    /** @throws UnknownDocument */
    public function apply(string $id, int $baseRevision, Operation $operation): Written|Refused|Stale
    {
        return $this->applyStep(Step::of($id, $baseRevision, $operation));
    }

    /** @throws UnknownDocument */
    public function applyStep(Step $step): Written|Refused|Stale
    {
        $written = $this->applyTogether($step);

        return is_array($written) ? $written[0] : $written;
    }

    /**
     * Steps on different documents: all are done, or none is.
     *
     * @return list<Written>|Refused|Stale one for each step
     *
     * @throws UnknownDocument
     */
    public function applyTogether(Step ...$steps): array|Refused|Stale
    {
        $planned = $this->lock->reading(fn(): array|Refused|Stale => $this->plannedAll(array_values($steps)));
        if (!is_array($planned)) {
            return $planned;
        }

        $written = $this->lock->holding(function () use ($steps, $planned): array|Refused|Stale {
            $isCurrent = fn(PlannedStep $step): bool => $this->get($step->documentId)->revision ===
                $step->prepared->revision;
            if (count($planned) !== count(array_filter($planned, $isCurrent))) {
                $planned = $this->plannedAll(array_values($steps));
            }

            return is_array($planned) ? array_map($this->written(...), $planned) : $planned;
        });
        foreach (is_array($written) ? $steps : [] as $step) {
            $this->thinOnceADay($step->documentId);
        }

        return $written;
    }

    /**
     * Sets how long each step of the history is kept, and holds to it at once.
     *
     * @param int|null $weeks see DocumentRecord
     *
     * @return int how many steps fewer there are
     *
     * @throws UnknownDocument
     */
    public function keepSteps(string $id, ?int $weeks): int
    {
        $this->lock->holding(function () use ($id, $weeks): void {
            $this->get($id)->stepsKeptWeeks = $weeks;
        });

        return $this->thinned($id);
    }

    private function thinOnceADay(string $id): void
    {
        $record = $this->get($id);
        if (null !== $record->stepsKeptWeeks && $record->thinnedOn !== $this->today()) {
            $this->thinned($id);
        }
    }

    /** In portions, so that others write between them; a history of years may hold tens of thousands of steps. */
    private function thinned(string $id): int
    {
        $weeks = $this->lock->holding(function () use ($id): ?int {
            $record = $this->get($id);
            $record->thinnedOn = $this->today();

            return $record->stepsKeptWeeks;
        });
        $fewer = 0;
        for ($isMore = null !== $weeks; $isMore; $fewer += $some) {
            [$some, $isMore] = $this->lock->holdingInTurn(
                fn(): array => $this->journal->thin(
                    $id,
                    $weeks ?? Thinning::MOST_WEEKS,
                    $this->now(),
                    self::STEPS_THINNED_AT_ONCE,
                ),
            );
        }

        return $fewer;
    }

    private function today(): int
    {
        return intdiv($this->now(), 86_400);
    }

    private function now(): int
    {
        return $this->clock->now()->getTimestamp();
    }

    /** @throws UnknownDocument */
    public function undo(string $id, int $baseRevision): Written|Stale|NothingToDo
    {
        return $this->stepped(
            $id,
            $baseRevision,
            $this->journal->findLastDone(...),
            JournalEntry::UNDONE,
            'There is nothing to undo.',
        );
    }

    /** @throws UnknownDocument */
    public function redo(string $id, int $baseRevision): Written|Stale|NothingToDo
    {
        return $this->stepped(
            $id,
            $baseRevision,
            $this->journal->findFirstUndone(...),
            JournalEntry::DONE,
            'There is nothing to redo.',
        );
    }

    /**
     * @param \Closure(string): ?JournalEntry $find
     * @param string                          $state of the step when this is done
     */
    private function stepped(
        string $id,
        int $baseRevision,
        \Closure $find,
        string $state,
        string $nothing,
    ): Written|Stale|NothingToDo {
        $plan = function () use ($id, $baseRevision, $find, $state, $nothing): array|Stale|NothingToDo {
            $record = $this->get($id);
            $entry = $find($id);
            if (null === $entry) {
                return new NothingToDo($nothing);
            }
            if ($record->revision !== $baseRevision) {
                return new Stale($record->revision, self::STALE_STEP);
            }
            $change = ChangeForm::read($entry->change);

            return [
                $this->writer->prepared($baseRevision, JournalEntry::UNDONE === $state ? $change->inverted() : $change),
                $entry,
            ];
        };
        $planned = $this->lock->reading($plan);
        if (!is_array($planned)) {
            return $planned;
        }

        return $this->lock->holding(function () use ($id, $planned, $plan, $find, $state): Written|Stale|NothingToDo {
            [$prepared, $entry] = $planned;
            $now = $find($id);
            if (null === $now || $now->id !== $entry->id || $now->change !== $entry->change) {
                // Old steps were put together meanwhile, which changes no text and no revision.
                $planned = $plan();
                if (!is_array($planned)) {
                    return $planned;
                }
                [$prepared, $entry] = $planned;
            }
            $record = $this->get($id);
            if ($record->revision !== $prepared->revision) {
                return new Stale($record->revision, self::STALE_STEP);
            }
            $label = $this->journal->mark((int) $entry->id, $state);
            $this->writer->write($record, $prepared, $this->now());

            return new Written(
                $prepared->revision,
                $record->revision,
                $record->outlineRevision,
                $prepared->change,
                $label,
                [],
            );
        });
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<PlannedStep>|Refused|Stale
     */
    private function plannedAll(array $steps): array|Refused|Stale
    {
        $planned = [];
        foreach ($steps as $step) {
            $each = $this->planned($step);
            if (!($each instanceof PlannedStep)) {
                return $each;
            }
            $planned[] = $each;
        }

        return $planned;
    }

    private function planned(Step $step): PlannedStep|Refused|Stale
    {
        $record = $this->get($step->documentId);
        $before = $record->document($this->shelf($record->id));
        $operation = ($step->operation)($before);
        if ($operation instanceof Refused) {
            return $operation;
        }
        if (null !== $step->baseRevision && !$this->isUpToDate($record, $step->baseRevision, $operation->restsOn())) {
            return new Stale($record->revision, self::STALE, $operation->restsOn()->texts);
        }
        $outcome = self::outcome($operation, $before);
        if ($outcome instanceof Refused) {
            return $outcome;
        }
        $change = Change::between($before, $outcome->document);
        $json = $change->isEmpty() ? '' : ChangeForm::write($change, $this->known);

        return new PlannedStep(
            $record->id,
            $this->writer->prepared($record->revision, $change, $json, array_values($outcome->document->pictures)),
            $operation->describe($before),
            Typing::findSection($operation)?->value,
            $outcome->notices,
        );
    }

    private function written(PlannedStep $step): Written
    {
        $record = $this->get($step->documentId);
        $prepared = $step->prepared;
        if (!$prepared->change->isEmpty()) {
            $this->writer->write($record, $prepared, $this->now());
            $this->journal->record(
                $record->id,
                $record->revision,
                $step->label,
                $step->typedIn,
                $prepared,
                $record->changedAt,
            );
        }

        return new Written(
            $prepared->revision,
            $record->revision,
            $record->outlineRevision,
            $prepared->change,
            $step->label,
            $step->notices,
            [] !== $prepared->pictures,
        );
    }

    /** What the operation rests on must be as the writer saw it. Changes elsewhere do not matter. */
    private function isUpToDate(DocumentRecord $record, int $baseRevision, Basis $basis): bool
    {
        if (
            $baseRevision > $record->revision ||
            ($basis->everything && $baseRevision !== $record->revision) ||
            ($basis->outline && $record->outlineRevision > $baseRevision)
        ) {
            return false;
        }
        if ([] === $basis->texts) {
            return true;
        }
        $newer = $this->entities->createQuery(
            'SELECT COUNT(s.id) FROM ' .
                SectionRecord::class .
                ' s WHERE s.id IN (:ids) AND s.documentId = :document AND s.revision > :base',
        );
        foreach (array_chunk($basis->texts, self::IDS_PER_QUERY) as $ids) {
            $newer->setParameters([
                'ids' => array_map(static fn(SectionId $id): string => $id->value, $ids),
                'document' => $record->id,
                'base' => $baseRevision,
            ]);
            if (0 !== (int) $newer->getSingleScalarResult()) {
                return false;
            }
        }

        return true;
    }

    private static function outcome(Operation $operation, Document $before): Applied|Refused
    {
        try {
            $outcome = $operation->applyTo($before);
        } catch (InvalidSectionId $unknown) {
            return Refused::missing($unknown->getMessage());
        }

        return $outcome instanceof Applied ? Refreshing::alwaysCurrent($outcome) : $outcome;
    }
}
