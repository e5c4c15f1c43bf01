<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\Connection;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\FoldedWords;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Storage\Database\Bound;
use Stemmata\Storage\Database\SqliteSql;
use Stemmata\Storage\Entity\ReferenceRecord;
use Stemmata\Storage\File\StoredFiles;

/**
 * The rows of sections, made ready without the write lock and written with it. Beside the unit of work: an entity for
 * each of 10,000 sections takes seconds, which every other writer would have to wait for.
 *
 * @phpstan-type Text array{heading: string, heading_inline: string, body: string, words: int, plain_text: string}
 * @phpstan-type Notes array{aim: string, target: int|null, marker: string, stage: string, shape: string}
 * @phpstan-type ReferenceRow array{kind: string, target: string, name: string}
 * @phpstan-type SectionRow array{id: string, isNew: bool, notes: Notes, text: Text|null, folded: string|null,
 *     references: list<ReferenceRow>, pictures: list<string>}
 */
final readonly class SectionRows
{
    public const LONGEST_LINK_WORDS = 200;

    public function __construct(
        private Connection $connection,
        private WordCount $words,
        private KnownTexts $known,
        private StoredFiles $files,
    ) {}

    /**
     * @param Section|null $before as it is stored; null for one that is not
     *
     * @return SectionRow
     *
     * @throws InvalidBody for a text that could not be read again; nothing of the kind is ever stored
     */
    public function row(?Section $before, Section $section): array
    {
        $isSameText =
            null !== $before &&
            $before->body === $section->body &&
            $before->heading === $section->heading &&
            // How often there is something by hand is kept with what a text refers to.
            $before->shape == $section->shape;

        $references = $isSameText ? null : References::in($section);

        return [
            'id' => $section->id->value,
            'isNew' => null === $before,
            'notes' => [
                'aim' => $section->aim,
                'target' => $section->target,
                'marker' => $section->marker->value,
                'stage' => $section->stage->value,
                'shape' => $section->shape->written(),
            ],
            'text' => $isSameText ? null : $this->text($section),
            'folded' => $isSameText && $before->aim === $section->aim ? null : FoldedWords::of($section),
            'references' => null === $references ? [] : self::references($section, $references),
            'pictures' => $references->pictures ?? [],
        ];
    }

    /** @param iterable<SectionRow> $rows */
    public function write(string $documentId, iterable $rows, int $revision): void
    {
        $insert = $this->connection->prepare(
            <<<'SQL'
            INSERT INTO section
                (heading, heading_inline, body, words, plain_text, aim, target, marker, stage, shape, revision, id,
                document_id)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
            SQL
            ,
        );
        $update = $this->connection->prepare(
            <<<'SQL'
            UPDATE section SET heading = ?, heading_inline = ?, body = ?, words = ?, plain_text = ?,
                aim = ?, target = ?, marker = ?, stage = ?, shape = ?, revision = ?
            WHERE id = ? AND document_id = ?
            SQL
            ,
        );
        $note = $this->connection->prepare(
            'UPDATE section SET aim = ?, target = ?, marker = ?, stage = ?, shape = ?, revision = ? WHERE id = ? AND document_id = ?',
        );
        $forget = $this->connection->prepare(self::forgetting());
        $refer = $this->connection->prepare(
            'INSERT INTO reference (kind, target, name, section_id, document_id) VALUES (?, ?, ?, ?, ?)',
        );
        $find = $this->connection->prepare(
            <<<'SQL'
            INSERT INTO section_words (folded, section_id, document_id) VALUES (?, ?, ?)
            ON CONFLICT (document_id, section_id) DO UPDATE SET folded = excluded.folded
            SQL
            ,
        );
        foreach ($rows as $row) {
            $place = [$row['id'], $documentId];
            if (null !== $row['folded']) {
                Bound::run($find, [$row['folded'], ...$place]);
            }
            $values = [...array_values($row['notes']), $revision, ...$place];
            if (null === $row['text']) {
                Bound::run($note, $values);
                continue;
            }
            if (!$row['isNew']) {
                Bound::run($forget, $place);
            }
            Bound::run($row['isNew'] ? $insert : $update, [...array_values($row['text']), ...$values]);
            foreach ($row['references'] as $reference) {
                Bound::run($refer, [...array_values($reference), ...$place]);
            }
            $this->files->use($documentId, $row['pictures']);
        }
    }

    /** @param list<string> $ids */
    public function remove(string $documentId, array $ids): void
    {
        foreach ($ids as $id) {
            $this->connection->executeStatement(self::forgetting(), [$id, $documentId]);
            $this->connection->delete('section_words', ['section_id' => $id, 'document_id' => $documentId]);
            $this->connection->delete('section', ['id' => $id, 'document_id' => $documentId]);
        }
    }

    private static function forgetting(): string
    {
        return 'DELETE FROM reference WHERE section_id = ? AND ' . SqliteSql::notByIndex('document_id') . ' = ?';
    }

    /** @return Text */
    private function text(Section $section): array
    {
        [$body, $words] = $this->known->find($section->body) ?? [
            SectionForm::checkedBody($section),
            $this->words->ofBody($section),
        ];
        $this->known->remember($section->body, $body, $words);

        return [
            'heading' => $section->heading->plainText(),
            'heading_inline' => SectionForm::checkedHeading($section),
            'body' => $body,
            'words' => $words,
            'plain_text' => $section->body->plainText(),
        ];
    }

    /** @return list<ReferenceRow> */
    private static function references(Section $section, References $references): array
    {
        $rows = [];
        foreach ($references->bookmarks as $id => $name) {
            $rows[] = ['kind' => ReferenceRecord::BOOKMARK, 'target' => (string) $id, 'name' => $name];
        }
        foreach ($references->links as $target => $words) {
            $rows[] = [
                'kind' => ReferenceRecord::LINK,
                'target' => (string) $target,
                'name' => mb_substr($words, 0, self::LONGEST_LINK_WORDS),
            ];
        }
        if ([] !== $references->addresses) {
            $rows[] = [
                'kind' => ReferenceRecord::ADDRESSES,
                'target' => $section->id->value,
                'name' => ReferenceRecord::addresses($references->addresses, self::LONGEST_LINK_WORDS),
            ];
        }
        foreach ($references->reminders as $reminder) {
            $rows[] = [
                'kind' => ReferenceRecord::REMINDER,
                'target' => $reminder->id,
                'name' => ReferenceRecord::nameOf($reminder),
            ];
        }
        if ($references->hasContents) {
            $rows[] = ['kind' => ReferenceRecord::CONTENTS, 'target' => $section->id->value, 'name' => ''];
        }
        $counted = CountedForm::written($references);
        if ('' !== $counted) {
            $rows[] = ['kind' => ReferenceRecord::COUNTED, 'target' => $section->id->value, 'name' => $counted];
        }

        return $rows;
    }
}
