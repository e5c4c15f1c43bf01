<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\InvalidSectionId;
use Stemmata\Core\Marker;
use Stemmata\Core\MemoryShelf;
use Stemmata\Core\Offcut;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Core\Shelf;
use Stemmata\Storage\Entity\OffcutRecord;
use Stemmata\Storage\Entity\ReferenceRecord;
use Stemmata\Storage\Entity\SectionRecord;

/** Finds a document's sections in the database, each when it is first asked for. */
final readonly class StoredShelf implements Shelf
{
    /** SQLite takes some 32,000 parameters in one statement; a thousand keeps each one short. */
    private const IDS_PER_QUERY = 1000;

    public function __construct(private EntityManagerInterface $entities, private string $documentId)
    {
    }

    /** The same with every section read at once, in one statement and without an entity for each. */
    public function filled(): MemoryShelf
    {
        $sections = [];
        foreach ($this->entities->getConnection()->iterateAssociative('SELECT id, heading, heading_inline, body, aim, target, marker FROM section WHERE document_id = ?', [$this->documentId]) as $fields) {
            $row = new Row($fields);
            $sections[] = new Section(
                SectionId::fromString($row->text('id')),
                SectionForm::readHeading($row->text('heading'), $row->text('heading_inline')),
                SectionForm::readBody($row->text('body')),
                $row->text('aim'),
                $row->findInteger('target'),
                Marker::from($row->text('marker')),
            );
        }

        return new MemoryShelf($sections);
    }

    public function section(SectionId $id): Section
    {
        $record = $this->entities->find(SectionRecord::class, $id->value);
        if (null === $record || $record->documentId !== $this->documentId) {
            throw InvalidSectionId::notInOutline($id);
        }

        return $record->section();
    }

    public function headings(array $ids): array
    {
        $headings = [];
        foreach (array_chunk($ids, self::IDS_PER_QUERY) as $chunk) {
            $rows = $this->entities->getConnection()->fetchAllAssociative(
                'SELECT id, heading FROM section WHERE id IN (:ids) AND document_id = :document',
                ['ids' => array_map(static fn (SectionId $id): string => $id->value, $chunk), 'document' => $this->documentId],
                ['ids' => ArrayParameterType::STRING],
            );
            foreach ($rows as $fields) {
                $row = new Row($fields);
                $headings[$row->text('id')] = $row->text('heading');
            }
        }

        return $headings;
    }

    public function findOffcut(SectionId $id): ?Offcut
    {
        $record = $this->entities->find(OffcutRecord::class, $id->value);

        return null === $record || $record->documentId !== $this->documentId ? null : $record->offcut();
    }

    public function findBookmarkOwner(string $name): ?SectionId
    {
        $found = $this->references(['kind' => ReferenceRecord::BOOKMARK, 'name' => $name], 1);

        return [] === $found ? null : SectionId::fromString($found[0]->sectionId);
    }

    public function isLinkedTo(SectionId $id): bool
    {
        return [] !== $this->references(['kind' => ReferenceRecord::LINK, 'target' => $id->value], 1);
    }

    public function contentsHolders(): array
    {
        return array_map(
            static fn (ReferenceRecord $reference): SectionId => SectionId::fromString($reference->sectionId),
            $this->references(['kind' => ReferenceRecord::CONTENTS]),
        );
    }

    /**
     * @param array<string, string> $criteria
     *
     * @return list<ReferenceRecord>
     */
    private function references(array $criteria, ?int $limit = null): array
    {
        return $this->entities->getRepository(ReferenceRecord::class)->findBy(['documentId' => $this->documentId, ...$criteria], limit: $limit);
    }
}
