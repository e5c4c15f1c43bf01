<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Database\SqliteSql;

/**
 * Lists for the screens, read as plain rows: of 10,000 sections no object is made, for none would be changed.
 *
 * @phpstan-type SectionFacts array{id: string, heading: string, words: int, aim: string, target: int|null,
 *     marker: string, stage: string, shape: string, revision: int}
 */
final readonly class Facts
{
    private const COLUMNS = 'id, revision, words, target, marker, stage, shape, heading, aim';
    private const IDS_PER_QUERY = 1000;

    public function __construct(private Connection $connection) {}

    /** @return array<string, SectionFacts> by id, in no order; with those that are set aside */
    public function ofAllSections(string $documentId): array
    {
        return self::byId(
            $this->connection->fetchAllAssociative('SELECT ' . self::COLUMNS . ' FROM section WHERE document_id = ?', [
                $documentId,
            ]),
        );
    }

    /** @return array<string, SectionFacts> */
    public function ofSectionsSince(string $documentId, int $revision): array
    {
        return self::byId(
            $this->connection->fetchAllAssociative(
                'SELECT ' . self::COLUMNS . ' FROM section WHERE document_id = ? AND revision > ?',
                [$documentId, $revision],
            ),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, SectionFacts>
     */
    public function ofSections(string $documentId, array $ids): array
    {
        return self::byId($this->selectSections(self::COLUMNS, $documentId, $ids));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<array{id: string, heading: array<mixed>, body: array<mixed>,
     *     revision: int}> as the editor keeps them
     */
    public function texts(string $documentId, array $ids): array
    {
        return array_map(static function (array $fields): array {
            $row = new Row($fields);

            return [
                'id' => $row->text('id'),
                'heading' => SectionForm::readHeading($row->text('heading'), $row->text('heading_inline'))->toJson(),
                'body' => SectionForm::readBody($row->text('body'))->toJson(),
                'revision' => $row->integer('revision'),
            ];
        }, $this->selectSections('id, revision, heading, heading_inline, body', $documentId, $ids));
    }

    /** @return list<int> the words of each section of the outline, in order */
    public function wordsInOrder(string $documentId, Outline $outline): array
    {
        $words = $this->connection->fetchAllKeyValue('SELECT id, words FROM section WHERE document_id = ?', [
            $documentId,
        ]);

        return array_map(
            static function (string $id) use ($words): int {
                $count = $words[$id] ?? 0;
                assert(is_int($count));

                return $count;
            },
            '' === $outline->ids ? [] : str_split($outline->ids, SectionId::LENGTH),
        );
    }

    /** How many words the headings have, of what stands in the outline. */
    public function wordsOfHeadings(string $documentId, Outline $outline): int
    {
        $headings = $this->connection->fetchAllKeyValue('SELECT id, heading FROM section WHERE document_id = ?', [
            $documentId,
        ]);
        $count = new WordCount();
        $words = 0;
        foreach ('' === $outline->ids ? [] : str_split($outline->ids, SectionId::LENGTH) as $id) {
            $heading = $headings[$id] ?? '';
            $words += is_string($heading) ? $count->ofText($heading) : 0;
        }

        return $words;
    }

    /** @return array<string, int> at which revision of the document each section was last written, by id */
    public function revisions(string $documentId): array
    {
        $revisions = [];
        foreach (
            $this->connection->fetchAllKeyValue('SELECT id, revision FROM section WHERE document_id = ?', [$documentId])
            as $id => $revision
        ) {
            assert(is_int($revision));
            $revisions[(string) $id] = $revision;
        }

        return $revisions;
    }

    /** @return array<string, string> by id, for the sections that are at a stage */
    public function stages(string $documentId): array
    {
        $stages = [];
        foreach (
            $this->connection->fetchAllKeyValue("SELECT id, stage FROM section WHERE document_id = ? AND stage <> ''", [
                $documentId,
            ])
            as $id => $stage
        ) {
            assert(is_string($stage));
            $stages[(string) $id] = $stage;
        }

        return $stages;
    }

    /** @return array<string, int> words wanted, by id, for the sections that have a target */
    public function targets(string $documentId): array
    {
        $targets = [];
        foreach (
            $this->connection->fetchAllKeyValue(
                'SELECT id, target FROM section WHERE document_id = ? AND target IS NOT NULL',
                [$documentId],
            )
            as $id => $target
        ) {
            assert(is_int($target));
            $targets[(string) $id] = $target;
        }

        return $targets;
    }

    /**
     * @param string $words only offcuts that have each of these in their name or text; empty for all
     *
     * @return list<array{id: string, name: string, reason: string, cutAt: int, sections: int, words: int,
     *     opening: string, passage: bool,
     *     from: string|null}> the last cut first; from is the heading that it stood behind or in
     */
    public function offcuts(string $documentId, string $words = ''): array
    {
        $offcuts = [];
        foreach (
            $this->connection->fetchAllAssociative(
                'SELECT o.id, o.name, o.reason, o.cut_at, o.after_id, o.outline_ids, o.outline_levels, s.heading AS came_from FROM offcut o LEFT JOIN section s ON s.id = o.after_id AND s.document_id = o.document_id WHERE o.document_id = ? ORDER BY o.cut_at DESC, o.' .
                    SqliteSql::ORDER_OF_ARRIVAL .
                    ' DESC',
                [$documentId],
            )
            as $fields
        ) {
            $row = new Row($fields);
            $ids = str_split($row->text('outline_ids'), SectionId::LENGTH);
            $text = $this->plainText($documentId, $ids);
            if (!self::hasWords($row->text('name') . "\n" . $text, $words)) {
                continue;
            }
            $offcuts[] = [
                'id' => $row->text('id'),
                'name' => $row->text('name'),
                'reason' => $row->text('reason'),
                'cutAt' => $row->integer('cut_at'),
                'sections' => count($ids),
                'words' => array_sum(array_column($this->ofSections($documentId, $ids), 'words')),
                'opening' => mb_substr($text, 0, 280),
                'from' => null === $fields['came_from'] ? null : $row->text('came_from'),
                'passage' => null !== $fields['after_id'] && '0' === $row->text('outline_levels'),
            ];
        }

        return $offcuts;
    }

    private static function hasWords(string $text, string $words): bool
    {
        $text = mb_strtolower($text);
        foreach (explode(' ', mb_strtolower($words)) as $word) {
            if (!str_contains($text, $word)) {
                return false;
            }
        }

        return true;
    }

    /** @param list<string> $ids */
    private function plainText(string $documentId, array $ids): string
    {
        return implode(
            "\n",
            array_map(
                static fn(array $fields): string => (new Row($fields))->text('plain_text'),
                $this->selectSections('plain_text', $documentId, $ids),
            ),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<array<string, mixed>>
     */
    private function selectSections(string $columns, string $documentId, array $ids): array
    {
        $rows = [];
        foreach (array_chunk($ids, self::IDS_PER_QUERY) as $chunk) {
            $some = $this->connection->fetchAllAssociative(
                'SELECT ' .
                    $columns .
                    ' FROM section WHERE id IN (:ids) AND ' .
                    SqliteSql::notByIndex('document_id') .
                    ' = :document',
                ['ids' => $chunk, 'document' => $documentId],
                ['ids' => ArrayParameterType::STRING],
            );
            array_push($rows, ...$some);
        }

        return $rows;
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return array<string, SectionFacts>
     */
    private static function byId(array $rows): array
    {
        $facts = [];
        foreach ($rows as $fields) {
            $row = new Row($fields);
            $facts[$row->text('id')] = [
                'id' => $row->text('id'),
                'heading' => $row->text('heading'),
                'words' => $row->integer('words'),
                'aim' => $row->text('aim'),
                'target' => $row->findInteger('target'),
                'marker' => $row->text('marker'),
                'stage' => $row->text('stage'),
                'shape' => $row->text('shape'),
                'revision' => $row->integer('revision'),
            ];
        }

        return $facts;
    }
}
