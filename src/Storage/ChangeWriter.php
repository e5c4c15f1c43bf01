<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Change;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Link\References;
use Stemmata\Core\Offcut;
use Stemmata\Core\Section;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Entity\OffcutRecord;
use Stemmata\Storage\Entity\ReferenceRecord;
use Stemmata\Storage\Entity\SectionRecord;

/** Brings a change into the database: the rows it touched and no others. Doing, undoing and redoing all come through here. */
final readonly class ChangeWriter
{
    public function __construct(private EntityManagerInterface $entities, private WordCount $words)
    {
    }

    public function write(DocumentRecord $document, Change $change, int $revision, int $now): void
    {
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
        foreach ($change->sections as $id => [$before, $after]) {
            $this->writeSection($document->id, $id, null === $before, $after, $revision);
        }
        foreach ($change->offcuts as $id => [, $after]) {
            $this->writeOffcut($document->id, $id, $after, $now);
        }
        $document->revision = $revision;
        $document->changedAt = $now;
    }

    private function writeSection(string $documentId, string $id, bool $isNew, ?Section $section, int $revision): void
    {
        $record = $isNew ? null : $this->entities->find(SectionRecord::class, $id);
        if (!$isNew) {
            $this->forgetReferences($documentId, $id);
        }
        if (null === $section) {
            if (null !== $record) {
                $this->entities->remove($record);
            }

            return;
        }
        if (null === $record) {
            $record = new SectionRecord($id, $documentId);
            $this->entities->persist($record);
        }
        $record->setSection($section, $this->words->ofBody($section));
        $record->revision = $revision;
        $this->keepReferences($documentId, $section);
    }

    private function forgetReferences(string $documentId, string $sectionId): void
    {
        $this->entities->getConnection()->delete('reference', ['document_id' => $documentId, 'section_id' => $sectionId]);
    }

    /** Beside the unit of work, for the rows just deleted may return with the same key. */
    public function keepReferences(string $documentId, Section $section): void
    {
        $references = References::in($section);
        $rows = [];
        foreach ($references->bookmarks as $id => $name) {
            $rows[] = [ReferenceRecord::BOOKMARK, $id, $name];
        }
        foreach ($references->links as $target => $words) {
            $rows[] = [ReferenceRecord::LINK, $target, mb_substr($words, 0, 200)];
        }
        if ($references->hasContents) {
            $rows[] = [ReferenceRecord::CONTENTS, $section->id->value, ''];
        }
        foreach ($rows as [$kind, $target, $name]) {
            $this->entities->getConnection()->insert('reference', [
                'document_id' => $documentId,
                'section_id' => $section->id->value,
                'kind' => $kind,
                'target' => $target,
                'name' => $name,
            ]);
        }
    }

    private function writeOffcut(string $documentId, string $id, ?Offcut $offcut, int $now): void
    {
        $record = $this->entities->find(OffcutRecord::class, $id);
        if (null === $offcut) {
            if (null !== $record) {
                $this->entities->remove($record);
            }

            return;
        }
        if (null === $record) {
            $record = new OffcutRecord($id, $documentId, $now);
            $this->entities->persist($record);
        }
        $record->setOffcut($offcut);
    }
}
