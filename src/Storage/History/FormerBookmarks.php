<?php

declare(strict_types=1);

namespace Stemmata\Storage\History;

use Doctrine\DBAL\Connection;
use Stemmata\Core\Text\Node;
use Stemmata\Storage\Database\SqliteSql;
use Stemmata\Storage\Entity\ReferenceRecord;
use Stemmata\Storage\Section\SectionForm;

/** Bookmarks that were taken out while links led to them; the journal still knows what they were called. */
final readonly class FormerBookmarks
{
    public function __construct(private Connection $connection) {}

    /** The id of the bookmark that bore the name and that links lead to; null when there is none. */
    public function findId(string $documentId, string $name): ?string
    {
        foreach ($this->idsMissed($documentId) as $id) {
            $bookmark = SectionForm::json((new Node('bookmark', ['id' => $id, 'name' => $name]))->toJson());
            $isKnown = $this->connection->fetchOne(
                sprintf('SELECT 1 FROM journal WHERE document_id = ? AND %s LIMIT 1', SqliteSql::contains('change')),
                [$documentId, $bookmark],
            );
            if (false !== $isKnown) {
                return $id;
            }
        }

        return null;
    }

    /** @return list<string> ids that links lead to and no section or bookmark bears */
    private function idsMissed(string $documentId): array
    {
        $ids = $this->connection->fetchFirstColumn(
            <<<'SQL'
            SELECT DISTINCT target FROM reference AS link WHERE document_id = ? AND kind = ?
                AND NOT EXISTS (SELECT 1 FROM section WHERE id = link.target AND document_id = link.document_id)
                AND NOT EXISTS (
                    SELECT 1 FROM reference AS named
                    WHERE named.document_id = link.document_id AND named.kind = ? AND named.target = link.target
                )
            SQL
            ,
            [$documentId, ReferenceRecord::LINK, ReferenceRecord::BOOKMARK],
        );

        return array_values(array_filter($ids, is_string(...)));
    }
}
