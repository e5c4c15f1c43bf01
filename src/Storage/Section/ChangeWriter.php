<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Picture;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\File\StoredFiles;

/**
 * Brings a change into the database: the rows it touched and no others. Doing, undoing and redoing all come through
 * here.
 */
final readonly class ChangeWriter
{
    public function __construct(
        private SectionRows $rows,
        private OffcutRows $offcuts,
        private StoredFiles $files,
        private WritingLog $log,
    ) {}

    /**
     * @param int           $revision that the document is at
     * @param string        $json     the change as the journal is to keep it
     * @param list<Picture> $pictures that came with it
     *
     * @throws InvalidBody for a text that could not be read again
     */
    public function prepared(int $revision, Change $change, string $json = '', array $pictures = []): PreparedChange
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

        return new PreparedChange($revision, $change, $rows, $removed, $json, $pictures);
    }

    /** Only with the write lock, and while the document is at the revision that the change was prepared for. */
    public function write(DocumentRecord $document, PreparedChange $prepared, int $now): void
    {
        if ($document->revision !== $prepared->revision) {
            throw new \LogicException('A change is written on the state that it was made from.');
        }
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
        $this->log->noteWriting($document, $now);
        $this->files->keep($document->id, $prepared->pictures);
        $this->rows->remove($document->id, $prepared->removed);
        $this->rows->write($document->id, $prepared->rows, $revision);
        $this->offcuts->write($document->id, $change->offcuts, $now);
        $document->revision = $revision;
        $document->changedAt = $now;
    }
}
