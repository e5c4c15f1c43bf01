<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Change;
use Stemmata\Core\Offcut;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Entity\OffcutRecord;

/** Brings a change into the database: the rows it touched and no others. Doing, undoing and redoing all come through here. */
final readonly class ChangeWriter
{
    public function __construct(private EntityManagerInterface $entities, private SectionRows $rows)
    {
    }

    /**
     * @param int    $revision that the document is at
     * @param string $json     the change as the journal is to keep it
     *
     * @throws InvalidBody for a text that could not be read again
     */
    public function prepared(int $revision, Change $change, string $json = ''): PreparedChange
    {
        $rows = [];
        $removed = [];
        foreach ($change->sections as $id => [$before, $after]) {
            if (null === $after) {
                $removed[] = (string) $id;
            } else {
                $rows[] = $this->rows->row($before, $after);
            }
        }

        return new PreparedChange($revision, $change, $rows, $removed, $json);
    }

    /** Only with the write lock, and while the document is at the revision that the change was prepared for. */
    public function write(DocumentRecord $document, PreparedChange $prepared, int $now): void
    {
        assert($document->revision === $prepared->revision, 'A change is written on the state that it was made from.');
        $change = $prepared->change;
        $revision = $prepared->revision + 1;
        if ([] !== $change->outlineEdits) {
            $document->setOutline($change->appliedToOutline($document->outline()));
            $document->outlineRevision = $revision;
        }
        if (null !== $change->titleBlock) {
            $document->setTitleBlock($change->titleBlock[1]);
        }
        if (null !== $change->setup) {
            $document->setSetup($change->setup[1]);
        }
        $this->rows->remove($document->id, $prepared->removed);
        $this->rows->write($document->id, $prepared->rows, $revision);
        foreach ($change->offcuts as $id => [$before, $after]) {
            $this->writeOffcut($document->id, (string) $id, $before, $after, $now);
        }
        $document->revision = $revision;
        $document->changedAt = $now;
    }

    private function writeOffcut(string $documentId, string $id, ?Offcut $before, ?Offcut $after, int $now): void
    {
        $record = null === $before ? null : $this->entities->find(OffcutRecord::class, $id);
        if (null === $after) {
            if (null !== $record) {
                $this->entities->remove($record);
            }

            return;
        }
        if (null === $record) {
            $record = new OffcutRecord($id, $documentId, $now);
            $this->entities->persist($record);
        }
        $record->setOffcut($after);
    }
}
