<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\Connection;
use Stemmata\Core\Document\Offcut;
use Stemmata\Storage\Database\Bound;

/** Writes the rows of offcuts; thousands at once when every heading of a long document is deleted alone. */
final readonly class OffcutRows
{
    public function __construct(private Connection $connection) {}

    /** @param array<string, array{Offcut|null, Offcut|null}> $offcuts before and after, by id */
    public function write(string $documentId, array $offcuts, int $now): void
    {
        if ([] === $offcuts) {
            return;
        }
        $insert = $this->connection->prepare(
            <<<'SQL'
            INSERT INTO offcut
                (reason, name, after_id, outline_ids, outline_levels, outline_flags, place, id, document_id, cut_at)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
            SQL
            ,
        );
        $update = $this->connection->prepare(
            <<<'SQL'
            UPDATE offcut SET reason = ?, name = ?, after_id = ?, outline_ids = ?, outline_levels = ?, outline_flags = ?,
                place = ?
            WHERE id = ? AND document_id = ?
            SQL
            ,
        );
        $delete = $this->connection->prepare('DELETE FROM offcut WHERE id = ? AND document_id = ?');
        foreach ($offcuts as $id => [$before, $after]) {
            $place = [(string) $id, $documentId];
            $fields =
                null === $after
                    ? []
                    : [
                        $after->reason->value,
                        $after->name,
                        $after->after?->value,
                        $after->outline->ids,
                        $after->outline->levels,
                        $after->outline->flags,
                        null === $after->place ? null : SectionForm::json($after->place->toJson()),
                    ];
            match (true) {
                null === $after => Bound::run($delete, $place),
                null === $before => Bound::run($insert, [...$fields, ...$place, $now]),
                default => Bound::run($update, [...$fields, ...$place]),
            };
        }
    }
}
