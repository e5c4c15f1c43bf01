<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Entity\ReferenceRecord;

/** What is still to be done in the documents on the desk; what stands among the offcuts is not. */
final readonly class OpenReminders
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @return list<array{SectionId, Reminder}> in the order of the text */
    public function in(DocumentRecord $document): array
    {
        $outline = $document->outline();
        $byPosition = [];
        foreach (
            $this->entities
                ->getConnection()
                ->iterateAssociative(
                    'SELECT section_id, target, name FROM reference WHERE document_id = ? AND kind = ?',
                    [$document->id, ReferenceRecord::REMINDER],
                )
            as $fields
        ) {
            $row = new Row($fields);
            $reminder = ReferenceRecord::reminder($row->text('target'), $row->text('name'));
            $section = SectionId::fromString($row->text('section_id'));
            $position = $outline->findPosition($section);
            if (null !== $position && !$reminder->isSettled) {
                $byPosition[$position][] = [$section, $reminder];
            }
        }
        ksort($byPosition);

        return array_merge(...array_values($byPosition));
    }
}
