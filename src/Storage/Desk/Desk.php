<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Doctrine\DBAL\Exception\ForeignKeyConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\ResultSetMappingBuilder;
use Psr\Clock\ClockInterface;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\SqliteSql;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Document\StagedDocument;
use Stemmata\Storage\Document\UnknownDocument;
use Stemmata\Storage\Entity\DocumentKind;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\File\StoredFiles;
use Stemmata\Storage\Section\SectionRows;

/**
 * A writer's documents: which there are, a new one, one taken away, brought back and thrown away.
 *
 * @phpstan-import-type SectionRow from SectionRows
 */
final readonly class Desk
{
    /**
     * Stored with the lock at once: some 20 ms of work, so that no one who writes meanwhile waits for more than that.
     */
    private const SECTIONS_PER_COMMIT = 400;
    /** A document that has been arriving for longer than this never will: whoever brought it was ended (seconds). */
    private const ARRIVES_WITHIN = 3600;

    public function __construct(
        private EntityManagerInterface $entities,
        private WriteLock $lock,
        private SectionRows $rows,
        private IdSource $ids,
        private StoredFiles $files,
        private CurrentWriter $writer,
        private ClockInterface $clock,
    ) {}

    /** @return list<DocumentRecord> the last changed first */
    public function documents(): array
    {
        return $this->listed("removed_at IS NULL AND kind = ''", 'changed_at');
    }

    /** @return list<DocumentRecord> text that is kept to be put into documents, the last changed first */
    public function standing(): array
    {
        return $this->listed("removed_at IS NULL AND kind = 'standing'", 'changed_at');
    }

    /** @return list<DocumentRecord> those taken off the desk, the last first */
    public function removedDocuments(): array
    {
        return $this->listed('removed_at IS NOT NULL', 'removed_at');
    }

    /**
     * Stores the sections in many small commits, so that other documents can be written meanwhile; the document is on
     * the
     * desk with the last of them, whole, or never.
     *
     * @param \Closure(int): mixed|null $onSections is told now and then how many sections are stored
     * @param string|null               $copyOf     whose pictures and files it shows, which stay from now on, should that be
     *     purged meanwhile
     *
     * @return string the new document's id
     *
     * @throws UnknownDocument when what is copied is gone
     */
    public function add(
        StagedDocument|Document $document,
        ?\Closure $onSections = null,
        DocumentKind $kind = DocumentKind::Manuscript,
        ?string $copyOf = null,
    ): string {
        $id = $this->ids->next()->value;
        $staged = $document instanceof Document ? StagedDocument::of($document, $this->rows) : $document;
        $this->lock->holding(function () use ($id, $staged, $kind): void {
            $this->forgetUnfinished();
            $record = new DocumentRecord($id, $this->writer->id(), $this->now(), $this->now());
            $record->arrivingSince = $this->now();
            $record->kind = $kind;
            $record->setTitleBlock($staged->titleBlock);
            $record->setOutline($staged->outline);
            $record->setSetup($staged->setup);
            $this->entities->persist($record);
        });
        $used = [];
        $rows = static function () use ($staged, &$used): iterable {
            foreach ($staged->rows() as $row) {
                $used += array_flip($row['pictures']);
                yield $row;
            }
        };
        try {
            if (null !== $copyOf) {
                $this->lock->holding(function () use ($id, $copyOf): void {
                    $this->record($copyOf);
                    $this->files->useAlike($id, $copyOf);
                });
            }
            foreach ($staged->pictures() as $picture) {
                $this->lock->holdingInTurn(function () use ($id, $picture): void {
                    $this->files->keep($id, [$picture]);
                });
            }
            $this->addRows($id, $rows(), $onSections);
            $this->lock->holding(function () use ($id, $copyOf, &$used): void {
                if (null !== $copyOf) {
                    $this->files->useNoOther($id, array_map(strval(...), array_keys($used)));
                }
                $this->record($id)->arrivingSince = null;
            });
        } catch (\Throwable $error) {
            $this->lock->holding(fn(): mixed => $this->discard($id));
            throw $error instanceof ForeignKeyConstraintViolationException ? new ArrivalEnded($error) : $error;
        }

        return $id;
    }

    /**
     * Away from the desk, not gone.
     *
     * @throws UnknownDocument
     */
    public function remove(string $id): void
    {
        $this->lock->holding(function () use ($id): void {
            $record = $this->record($id);
            $record->removedAt ??= $this->now();
        });
    }

    /** @throws UnknownDocument */
    public function restore(string $id): DocumentRecord
    {
        return $this->lock->holding(function () use ($id): DocumentRecord {
            $record = $this->record($id);
            $record->removedAt = null;

            return $record;
        });
    }

    /**
     * For good, with its history and its offcuts. Only what was taken off the desk before.
     *
     * @throws UnknownDocument
     */
    public function purge(string $id): void
    {
        $this->lock->holding(
            fn(): mixed => null === $this->record($id)->removedAt
                ? throw UnknownDocument::notRemoved()
                : $this->discard($id),
        );
    }

    /** @throws UnknownDocument */
    public function keepResumePoint(string $id, string $section, int $position): void
    {
        $this->lock->holding(function () use ($id, $section, $position): void {
            $record = $this->record($id);
            $record->resumeSection = $section;
            $record->resumePosition = $position;
        });
    }

    /**
     * Remembers how many pages a document has at a revision; what is known of a later one stays.
     *
     * @throws UnknownDocument
     */
    public function keepPageCount(string $id, int $pages, int $revision): void
    {
        $known = $this->record($id);
        if ($known->pagedRevision === $revision && $known->pageCount === $pages) {
            return;
        }
        $this->lock->holding(function () use ($id, $pages, $revision): void {
            $record = $this->record($id);
            if ($revision >= ($record->pagedRevision ?? 0)) {
                $record->pageCount = $pages;
                $record->pagedRevision = $revision;
            }
        });
    }

    /** @return list<DocumentRecord> */
    private function listed(string $condition, string $latest): array
    {
        $mapping = new ResultSetMappingBuilder($this->entities);
        $mapping->addRootEntityFromClassMetadata(DocumentRecord::class, 'd');
        // Of two changed in the same second, the one that came to the desk last lies on top; only SQL knows which that
        // is.
        /** @var list<DocumentRecord> $records */
        $records = $this->entities
            ->createNativeQuery(
                sprintf(
                    'SELECT %s FROM document d WHERE owner_id = ? AND arriving_since IS NULL AND %s ORDER BY %s DESC, %s DESC',
                    $mapping->generateSelectClause(),
                    $condition,
                    $latest,
                    SqliteSql::ORDER_OF_ARRIVAL,
                ),
                $mapping,
            )
            ->setParameter(1, $this->writer->id())
            ->getResult();

        return $records;
    }

    private function record(string $id): DocumentRecord
    {
        return $this->entities
            ->getRepository(DocumentRecord::class)
            ->findOneBy(['id' => $id, 'ownerId' => $this->writer->id()]) ?? throw UnknownDocument::withId($id);
    }

    private function now(): int
    {
        return $this->clock->now()->getTimestamp();
    }

    private function forgetUnfinished(): void
    {
        $unfinished = $this->entities
            ->getConnection()
            ->fetchFirstColumn('SELECT id FROM document WHERE arriving_since < ?', [
                $this->now() - self::ARRIVES_WITHIN,
            ]);
        foreach (array_filter($unfinished, is_string(...)) as $id) {
            $this->discard($id);
        }
    }

    private function discard(string $id): mixed
    {
        $connection = $this->entities->getConnection();
        // Sections, offcuts, references and steps go with their document.
        $connection->executeStatement('DELETE FROM milestone WHERE document_id = ?', [$id]);
        $connection->executeStatement('DELETE FROM document WHERE id = ?', [$id]);
        $this->files->forgetUnused();
        $this->entities->clear();

        return null;
    }

    /**
     * @param iterable<SectionRow>      $rows
     * @param \Closure(int): mixed|null $onSections
     */
    private function addRows(string $documentId, iterable $rows, ?\Closure $onSections): void
    {
        $waiting = [];
        $done = 0;
        foreach ($rows as $row) {
            $waiting[] = $row;
            if (self::SECTIONS_PER_COMMIT === count($waiting)) {
                $this->store($documentId, $waiting);
                $done += count($waiting);
                null === $onSections || $onSections($done);
                $waiting = [];
            }
        }
        if ([] !== $waiting) {
            $this->store($documentId, $waiting);
        }
    }

    /** @param list<SectionRow> $rows */
    private function store(string $documentId, array $rows): void
    {
        $this->lock->holdingInTurn(function () use ($documentId, $rows): void {
            $this->rows->write($documentId, $rows, 1);
            // By the clock of this moment, should it have been set forward meanwhile.
            $this->entities
                ->getConnection()
                ->update('document', ['arriving_since' => $this->now()], ['id' => $documentId]);
        });
    }
}
