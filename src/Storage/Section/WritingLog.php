<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\Connection;
use Stemmata\Core\Counting\WordsHad;
use Stemmata\Core\History\Sittings;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Entity\DocumentRecord;

/** How many words a document had when each sitting began, so that it can be said what each has brought. */
final readonly class WritingLog
{
    public function __construct(private Connection $connection, private Facts $facts) {}

    /** Before a change is written: the first of a sitting notes what it finds. */
    public function noteWriting(DocumentRecord $document, int $now): void
    {
        if (null !== $document->sittingSince && $now - $document->changedAt <= Sittings::PAUSE) {
            return;
        }
        $document->sittingSince = $now;
        $had = $this->hasNow($document, $now);
        $this->connection->executeStatement(
            'INSERT INTO sitting (document_id, started_at, words, heading_words) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
            [$document->id, $now, $had->words, $had->headings],
        );
    }

    public function hasNow(DocumentRecord $document, int $now): WordsHad
    {
        return new WordsHad(
            $now,
            array_sum($this->facts->wordsInOrder($document->id, $document->outline())),
            $this->facts->wordsOfHeadings($document->id, $document->outline()),
        );
    }

    /** @return list<WordsHad> the first first */
    public function sittings(string $documentId): array
    {
        return array_map(static function (array $fields): WordsHad {
            $row = new Row($fields);

            return new WordsHad(
                $row->integer('started_at'),
                $row->integer('words'),
                $row->findInteger('heading_words'),
            );
        }, $this->connection->fetchAllAssociative(
            'SELECT started_at, words, heading_words FROM sitting WHERE document_id = ? ORDER BY started_at',
            [$documentId],
        ));
    }
}
