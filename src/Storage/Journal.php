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
