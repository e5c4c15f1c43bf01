<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\ParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Document\Marker;
use Stemmata\Core\Document\MemoryShelf;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Shelf;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Text\Picture;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Database\SqliteSql;
use Stemmata\Storage\Entity\OffcutRecord;
use Stemmata\Storage\Entity\ReferenceRecord;
use Stemmata\Storage\File\StoredFiles;

/** Finds a document's sections in the database, each when it is first asked for. */
final class StoredShelf implements Shelf
{
    private const COLUMNS = 'id, heading, heading_inline, body, words, aim, target, marker, stage, shape';
    /** Who has asked for so many sections one by one will ask for the others. */
    private const FEW = 40;
    /** From here on, reading all of the document's headings is quicker than asking for each by its id. */
    private const MANY = 500;
    private const AT_ONCE = 100;

    /** @var array<string, Section> */
    private array $read = [];
    private bool $hasReadAll = false;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly KnownTexts $known,
        private readonly StoredFiles $files,
        private readonly string $documentId,
    ) {}

    /** The same with every section read at once, in one statement and without an entity for each. */
    public function filled(): MemoryShelf
    {
        $this->readAll();

        return new MemoryShelf($this->read, behind: $this);
    }

    /**
     * Some sections one after the other, read by the hundred, for whoever may have seen enough after a few.
     *
     * @param list<SectionId> $ids
     *
     * @return iterable<Section>
     */
    public function inTurn(array $ids): iterable
    {
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            $rows = $this->entities
                ->getConnection()
                ->iterateAssociative(
                    'SELECT ' .
                        self::COLUMNS .
                        ' FROM section WHERE ' .
                        SqliteSql::notByIndex('document_id') .
                        ' = ? AND id IN (?)',
                    [$this->documentId, array_column($some, 'value')],
                    [ParameterType::STRING, ArrayParameterType::STRING],
                );
            $read = [];
            foreach ($rows as $fields) {
                $read[(new Row($fields))->text('id')] = $this->sectionOf($fields);
            }
            foreach ($some as $id) {
                if (isset($read[$id->value])) {
                    yield $read[$id->value];
                }
            }
        }
    }

    public function findSection(SectionId $id): ?Section
    {
        if (!isset($this->read[$id->value]) && !$this->hasReadAll) {
            if (count($this->read) < self::FEW) {
                $this->readOne($id->value);
            } else {
                $this->readAll();
            }
        }

        return $this->read[$id->value] ?? null;
    }

    private function readOne(string $id): void
    {
        $fields = $this->entities
            ->getConnection()
            ->fetchAssociative('SELECT ' . self::COLUMNS . ' FROM section WHERE id = ? AND document_id = ?', [
                $id,
                $this->documentId,
            ]);
        if (false !== $fields) {
            $this->read[$id] = $this->sectionOf($fields);
        }
    }

    private function readAll(): void
    {
        foreach (
            $this->entities
                ->getConnection()
                ->iterateAssociative('SELECT ' . self::COLUMNS . ' FROM section WHERE document_id = ?', [
                    $this->documentId,
                ])
            as $fields
        ) {
            // A section already read stays the object that it is: what is unchanged is known by that.
            $id = is_string($fields['id']) ? $fields['id'] : '';
            $this->read[$id] ??= $this->sectionOf($fields);
        }
        $this->hasReadAll = true;
    }

    /** @param array<string, mixed> $fields */
    private function sectionOf(array $fields): Section
    {
        $row = new Row($fields);
        $body = SectionForm::readBody($row->text('body'));
        $this->known->remember($body, $row->text('body'), $row->integer('words'));

        return new Section(
            SectionId::fromString($row->text('id')),
            SectionForm::readHeading($row->text('heading'), $row->text('heading_inline')),
            $body,
            $row->text('aim'),
            $row->findInteger('target'),
            Marker::from($row->text('marker')),
            Stage::from($row->text('stage')),
            Shape::kept($row->text('shape')),
        );
    }

    public function headings(array $ids): array
    {
        $connection = $this->entities->getConnection();
        $found =
            count($ids) > self::MANY
                ? $connection->fetchAllKeyValue('SELECT id, heading FROM section WHERE document_id = ?', [
                    $this->documentId,
                ])
                : $connection->fetchAllKeyValue(
                    'SELECT id, heading FROM section WHERE id IN (:ids) AND ' .
                        SqliteSql::notByIndex('document_id') .
                        ' = :document',
                    [
                        'ids' => array_map(static fn(SectionId $id): string => $id->value, $ids),
                        'document' => $this->documentId,
                    ],
                    ['ids' => ArrayParameterType::STRING],
                );
        $headings = [];
        foreach ($ids as $id) {
            if (is_string($found[$id->value] ?? null)) {
                $headings[$id->value] = $found[$id->value];
            }
        }

        return $headings;
    }

    public function findOffcut(SectionId $id): ?Offcut
    {
        $record = $this->entities->find(OffcutRecord::class, $id->value);

        return null === $record || $record->documentId !== $this->documentId ? null : $record->offcut();
    }

    /** @return list<Offcut> in no order */
    public function offcuts(): array
    {
        return array_map(
            static fn(OffcutRecord $record): Offcut => $record->offcut(),
            $this->entities->getRepository(OffcutRecord::class)->findBy(['documentId' => $this->documentId]),
        );
    }

    public function findOffcutHolding(SectionId $section): ?Offcut
    {
        foreach ($this->offcuts() as $offcut) {
            if ($offcut->outline->has($section)) {
                return $offcut;
            }
        }

        return null;
    }

    public function findBookmarkOwner(string $name): ?SectionId
    {
        $found = $this->records(['kind' => ReferenceRecord::BOOKMARK, 'name' => $name], 1);

        return [] === $found ? null : SectionId::fromString($found[0]->sectionId);
    }

    public function isLinkedTo(SectionId $id): bool
    {
        return [] !== $this->records(['kind' => ReferenceRecord::LINK, 'target' => $id->value], 1);
    }

    public function references(): array
    {
        $bookmarks = [];
        $links = [];
        $withContents = [];
        $counted = [];
        $reminders = [];
        $addresses = [];
        foreach (
            $this->entities
                ->getConnection()
                ->iterateAssociative('SELECT section_id, kind, target, name FROM reference WHERE document_id = ?', [
                    $this->documentId,
                ])
            as $fields
        ) {
            $row = new Row($fields);
            $section = $row->text('section_id');
            match ($row->text('kind')) {
                ReferenceRecord::BOOKMARK => ($bookmarks[$section][$row->text('target')] = $row->text('name')),
                ReferenceRecord::LINK => ($links[$section][$row->text('target')] = $row->text('name')),
                ReferenceRecord::ADDRESSES => ($addresses[$section] = ReferenceRecord::readAddresses(
                    $row->text('name'),
                )),
                ReferenceRecord::COUNTED => ($counted[$section] = CountedForm::read($row->text('name'))),
                ReferenceRecord::REMINDER => ($reminders[$section][] = ReferenceRecord::reminder(
                    $row->text('target'),
                    $row->text('name'),
                )),
                default => ($withContents[$section] = true),
            };
        }
        $references = [];
        foreach (array_keys($bookmarks + $links + $withContents + $counted + $reminders + $addresses) as $section) {
            $count = $counted[$section] ?? CountedForm::NONE;
            $references[$section] = References::kept(
                $bookmarks[$section] ?? [],
                $links[$section] ?? [],
                isset($withContents[$section]),
                $count['notes'],
                $count['captions'],
                $count['fillers'],
                $reminders[$section] ?? [],
                $count['untold'],
                $addresses[$section] ?? [],
                $count['byHand'],
                $count['quoted'],
            );
        }

        return $references;
    }

    public function contentsHolders(): array
    {
        return array_map(
            static fn(ReferenceRecord $reference): SectionId => SectionId::fromString($reference->sectionId),
            $this->records(['kind' => ReferenceRecord::CONTENTS]),
        );
    }

    public function findPicture(string $hash): ?Picture
    {
        return $this->files->findPicture($hash);
    }

    /**
     * @param array<string, string> $criteria
     *
     * @return list<ReferenceRecord>
     */
    private function records(array $criteria, ?int $limit = null): array
    {
        return $this->entities
            ->getRepository(ReferenceRecord::class)
            ->findBy(['documentId' => $this->documentId, ...$criteria], limit: $limit);
    }
}
