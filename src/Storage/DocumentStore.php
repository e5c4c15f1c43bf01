<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Change;
use Stemmata\Core\Document;
use Stemmata\Core\InvalidSectionId;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Batch;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\ReplaceBody;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Entity\JournalEntry;
use Stemmata\Storage\Entity\SectionRecord;

/** The one way by which a document is changed. Each change is a single transaction that also writes the journal. */
final readonly class DocumentStore
{
    public function __construct(
        private EntityManagerInterface $entities,
        private ChangeWriter $writer,
        private Journal $journal,
    ) {
    }

    /** @throws UnknownDocument */
    public function get(string $id): DocumentRecord
    {
        $record = $this->entities->find(DocumentRecord::class, $id);

        return null === $record || null !== $record->removedAt ? throw UnknownDocument::withId($id) : $record;
    }

    /** @throws UnknownDocument */
    public function document(string $id): Document
    {
        return $this->get($id)->document($this->shelf($id));
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
        return new StoredShelf($this->entities, $id);
    }

    /** @throws UnknownDocument */
    public function apply(string $id, int $baseRevision, Operation $operation): Written|Refused|Stale
    {
        return $this->writing($id, function (DocumentRecord $record) use ($baseRevision, $operation): Written|Refused|Stale {
            if (!$this->isFresh($record, $baseRevision, $operation->restsOn())) {
                return new Stale($record->revision, 'Another window has changed this part of the document since; here is how it reads now.');
            }
            $before = $record->document($this->shelf($record->id));
            $outcome = self::outcome($operation, $before);
            if ($outcome instanceof Refused) {
                return $outcome;
            }
            $change = Change::between($before, $outcome->document);
            $label = $operation->describe($before);
            if ($change->isEmpty()) {
                return new Written($record->revision, $record->revision, $record->outlineRevision, $change, $label, $outcome->notices);
            }
            $previous = $record->revision;
            $this->writer->write($record, $change, $previous + 1, time());
            $this->journal->record($record->id, $record->revision, $label, self::findTypedIn($operation), $change, $record->changedAt);

            return new Written($previous, $record->revision, $record->outlineRevision, $change, $label, $outcome->notices);
        });
    }

    /** @throws UnknownDocument */
    public function undo(string $id, int $baseRevision): Written|Stale|NothingToDo
    {
        return $this->writing($id, function (DocumentRecord $record) use ($baseRevision): Written|Stale|NothingToDo {
            $entry = $this->journal->findLastDone($record->id);
            if (null === $entry) {
                return new NothingToDo('There is nothing to undo.');
            }

            return $this->step($record, $baseRevision, $entry, JournalEntry::UNDONE, ChangeForm::read($entry->change)->inverted());
        });
    }

    /** @throws UnknownDocument */
    public function redo(string $id, int $baseRevision): Written|Stale|NothingToDo
    {
        return $this->writing($id, function (DocumentRecord $record) use ($baseRevision): Written|Stale|NothingToDo {
            $entry = $this->journal->findFirstUndone($record->id);
            if (null === $entry) {
                return new NothingToDo('There is nothing to redo.');
            }

            return $this->step($record, $baseRevision, $entry, JournalEntry::DONE, ChangeForm::read($entry->change));
        });
    }

    private function step(DocumentRecord $record, int $baseRevision, JournalEntry $entry, string $state, Change $change): Written|Stale
    {
        if ($record->revision !== $baseRevision) {
            return new Stale($record->revision, 'Another window has changed the document since; look at how it reads now before undoing or redoing.');
        }
        $this->writer->write($record, $change, $baseRevision + 1, time());
        $entry->state = $state;

        return new Written($baseRevision, $record->revision, $record->outlineRevision, $change, $entry->label, []);
    }

    /** What the operation rests on must be as the writer saw it. Changes elsewhere do not matter. */
    private function isFresh(DocumentRecord $record, int $baseRevision, Basis $basis): bool
    {
        if ($baseRevision > $record->revision || ($basis->everything && $baseRevision !== $record->revision) || ($basis->outline && $record->outlineRevision > $baseRevision)) {
            return false;
        }
        foreach ($basis->texts as $id) {
            $section = $this->entities->find(SectionRecord::class, $id->value);
            if (null !== $section && $section->documentId === $record->id && $section->revision > $baseRevision) {
                return false;
            }
        }

        return true;
    }

    private static function outcome(Operation $operation, Document $before): Applied|Refused
    {
        try {
            return $operation->applyTo($before);
        } catch (InvalidSectionId $unknown) {
            return Refused::missing($unknown->getMessage());
        }
    }

    private static function findTypedIn(Operation $operation): ?string
    {
        return match (true) {
            $operation instanceof ReplaceBody => $operation->section->value,
            $operation instanceof Batch && 1 === count($operation->operations) => self::findTypedIn($operation->operations[0]),
            default => null,
        };
    }

    /**
     * @template T of Written|Refused|Stale|NothingToDo
     *
     * @param \Closure(DocumentRecord): T $work
     *
     * @return T
     */
    private function writing(string $id, \Closure $work): Written|Refused|Stale|NothingToDo
    {
        return $this->entities->wrapInTransaction(function () use ($id, $work) {
            // Takes SQLite's write lock before anything is read, so that no other worker's change can slip in between.
            $this->entities->getConnection()->executeStatement('UPDATE document SET revision = revision WHERE id = ?', [$id]);

            return $work($this->get($id));
        });
    }
}
