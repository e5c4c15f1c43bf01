<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\ResultSetMappingBuilder;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document;
use Stemmata\Core\IdSource;
use Stemmata\Core\Offcut;
use Stemmata\Core\Section;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Entity\OffcutRecord;
use Stemmata\Storage\Entity\SectionRecord;
use Stemmata\Storage\Entity\Writer;

/** A writer's documents: which there are, a new one, one taken away and brought back. */
final readonly class Desk
{
    /** Entities held at once while a document is stored; 10,000 sections must not all wait in memory. */
    private const SECTIONS_PER_FLUSH = 500;

    public function __construct(
        private EntityManagerInterface $entities,
        private ChangeWriter $writer,
        private WordCount $words,
        private IdSource $ids,
    ) {
    }

    /** @return list<DocumentRecord> the last changed first */
    public function documents(string $ownerId = Writer::LOCAL): array
    {
        $mapping = new ResultSetMappingBuilder($this->entities);
        $mapping->addRootEntityFromClassMetadata(DocumentRecord::class, 'd');
        // Of two changed in the same second, the one that came to the desk last lies on top; only SQL knows which that is.
        /** @var list<DocumentRecord> $records */
        $records = $this->entities
            ->createNativeQuery(sprintf('SELECT %s FROM document d WHERE owner_id = ? AND removed_at IS NULL ORDER BY changed_at DESC, rowid DESC', $mapping->generateSelectClause()), $mapping)
            ->setParameter(1, $ownerId)
            ->getResult();

        return $records;
    }

    /**
     * @param \Closure(int): mixed|null $onSections is told now and then how many sections are stored
     *
     * @return string the new document's id
     */
    public function add(Document $document, string $ownerId = Writer::LOCAL, ?\Closure $onSections = null): string
    {
        $id = $this->ids->next()->value;
        $this->entities->wrapInTransaction(function () use ($id, $document, $ownerId, $onSections): void {
            $record = new DocumentRecord($id, $ownerId, time(), time());
            $record->setTitleBlock($document->titleBlock);
            $record->setOutline($document->outline);
            $record->setSetup($document->setup);
            $this->entities->persist($record);
            $this->entities->flush();
            $this->addSections($id, $document->sections(), $onSections);
            foreach (array_filter($document->changedOffcuts) as $offcut) {
                $this->addOffcut($id, $document, $offcut);
            }
        });

        return $id;
    }

    /** Away from the desk, not gone. */
    public function remove(DocumentRecord $document): void
    {
        $document->removedAt = time();
        $this->entities->flush();
    }

    /** @throws UnknownDocument */
    public function restore(string $id): DocumentRecord
    {
        $document = $this->entities->find(DocumentRecord::class, $id) ?? throw UnknownDocument::withId($id);
        $document->removedAt = null;
        $this->entities->flush();

        return $document;
    }

    /** For good, with everything in it. */
    public function discardAll(): void
    {
        $this->entities->getConnection()->executeStatement('DELETE FROM document');
        $this->entities->clear();
    }

    public function keepResumePoint(DocumentRecord $document, string $section, int $position): void
    {
        $document->resumeSection = $section;
        $document->resumePosition = $position;
        $this->entities->flush();
    }

    /**
     * @param iterable<Section>          $sections
     * @param \Closure(int): mixed|null $onSections
     */
    private function addSections(string $documentId, iterable $sections, ?\Closure $onSections = null): void
    {
        $waiting = 0;
        $done = 0;
        foreach ($sections as $section) {
            $record = new SectionRecord($section->id->value, $documentId);
            $record->setSection($section, $this->words->ofBody($section));
            $this->entities->persist($record);
            $this->writer->keepReferences($documentId, $section);
            ++$done;
            if (self::SECTIONS_PER_FLUSH === ++$waiting) {
                null === $onSections || $onSections($done);
                $this->entities->flush();
                $this->entities->clear();
                $waiting = 0;
            }
        }
        $this->entities->flush();
    }

    private function addOffcut(string $documentId, Document $document, Offcut $offcut): void
    {
        $record = new OffcutRecord($offcut->id->value, $documentId, time());
        $record->setOffcut($offcut);
        $this->entities->persist($record);
        $sections = [];
        foreach ($offcut->outline->ids() as $id) {
            $sections[] = $document->section($id);
        }
        $this->addSections($documentId, $sections);
    }
}
