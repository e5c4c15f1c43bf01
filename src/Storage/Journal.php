<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Change;
use Stemmata\Storage\Entity\JournalEntry;

/** The line of a document's history, and where on it the writer stands. */
final readonly class Journal
{
    /** A pause longer than this ends a burst of typing (seconds). */
    private const BURST_PAUSE = 5;
    /** A burst is undone whole, so it must not grow without end (seconds). */
    private const BURST_LENGTH = 30;

    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @param string|null $typedIn the section, for a step that is nothing but typing */
    public function record(string $documentId, int $revision, string $label, ?string $typedIn, Change $change, int $now): void
    {
        $burst = null === $typedIn ? null : $this->findBurst($documentId, $typedIn, $now);
        $overtaken = $this->entities->getConnection()->update('journal', ['state' => JournalEntry::OVERTAKEN], ['document_id' => $documentId, 'state' => JournalEntry::UNDONE]);
        if (null === $burst || $overtaken > 0) {
            $this->entities->persist(new JournalEntry($documentId, $revision, $label, $typedIn, ChangeForm::write($change), $now, $now));

            return;
        }
        $burst->change = ChangeForm::write(self::merged(ChangeForm::read($burst->change), $change));
        $burst->revision = $revision;
        $burst->madeAt = $now;
    }

    public function findLastDone(string $documentId): ?JournalEntry
    {
        return $this->entities->getRepository(JournalEntry::class)->findOneBy(['documentId' => $documentId, 'state' => JournalEntry::DONE], ['id' => 'DESC']);
    }

    public function findFirstUndone(string $documentId): ?JournalEntry
    {
        return $this->entities->getRepository(JournalEntry::class)->findOneBy(['documentId' => $documentId, 'state' => JournalEntry::UNDONE], ['id' => 'ASC']);
    }

    /**
     * @param int|null $before only steps before this one; null from the last on
     *
     * @return list<array{id: int, label: string, startedAt: int, madeAt: int, undone: bool}> the last first
     */
    public function lines(string $documentId, ?int $before, int $limit): array
    {
        $rows = $this->entities->getConnection()->fetchAllAssociative(
            'SELECT id, label, started_at, made_at, state FROM journal WHERE document_id = ? AND id < ? ORDER BY id DESC LIMIT '.$limit,
            [$documentId, $before ?? \PHP_INT_MAX],
        );

        return array_map(static function (array $fields): array {
            $row = new Row($fields);

            return [
                'id' => $row->integer('id'),
                'label' => $row->text('label'),
                'startedAt' => $row->integer('started_at'),
                'madeAt' => $row->integer('made_at'),
                'undone' => JournalEntry::DONE !== $row->text('state'),
            ];
        }, $rows);
    }

    /** A step that stands, not one that was undone. */
    public function findDone(string $documentId, int $id): ?JournalEntry
    {
        return $this->entities->getRepository(JournalEntry::class)->findOneBy(['documentId' => $documentId, 'state' => JournalEntry::DONE, 'id' => $id]);
    }

    /** @return list<Change> this step and every one after it that stands, the last first */
    public function changesSince(JournalEntry $entry): array
    {
        $rows = $this->entities->getConnection()->fetchFirstColumn(
            'SELECT change FROM journal WHERE document_id = ? AND state = ? AND id >= ? ORDER BY id DESC',
            [$entry->documentId, JournalEntry::DONE, $entry->id],
        );

        return array_map(static fn (mixed $json): Change => ChangeForm::read(is_string($json) ? $json : ''), $rows);
    }

    private function findBurst(string $documentId, string $typedIn, int $now): ?JournalEntry
    {
        $last = $this->findLastDone($documentId);
        $continues = null !== $last
            && $last->typedIn === $typedIn
            && $now - $last->madeAt <= self::BURST_PAUSE
            && $now - $last->startedAt <= self::BURST_LENGTH;

        return $continues ? $last : null;
    }

    private static function merged(Change $first, Change $second): Change
    {
        $sections = $first->sections;
        foreach ($second->sections as $id => [$before, $after]) {
            $sections[$id] = [isset($sections[$id]) ? $sections[$id][0] : $before, $after];
        }

        return new Change([], $sections, [], null);
    }
}
