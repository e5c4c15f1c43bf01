<?php

declare(strict_types=1);

namespace Stemmata\Storage\History;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Document\Change;
use Stemmata\Core\History\StatePath;
use Stemmata\Core\History\Thinning;
use Stemmata\Core\History\TypingBurst;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Entity\JournalEntry;
use Stemmata\Storage\Entity\MilestoneRecord;
use Stemmata\Storage\Section\PreparedChange;

/** The line of a document's history, and where on it the writer stands. */
final readonly class Journal
{
    /** In seconds. */
    private const WEEK = 604_800;

    public function __construct(private EntityManagerInterface $entities) {}

    /** @param string|null $typedIn the section, for a step that is nothing but typing */
    public function record(
        string $documentId,
        int $revision,
        string $label,
        ?string $typedIn,
        PreparedChange $prepared,
        int $now,
    ): void {
        $burst = null === $typedIn ? null : $this->findBurst($documentId, $typedIn, $prepared->change, $now);
        $overtaken = $this->entities
            ->getConnection()
            ->update(
                'journal',
                ['state' => JournalEntry::OVERTAKEN],
                ['document_id' => $documentId, 'state' => JournalEntry::UNDONE],
            );
        if (null === $burst || $overtaken > 0) {
            $this->entities->persist(
                new JournalEntry(
                    $documentId,
                    $revision,
                    $label,
                    $typedIn,
                    $prepared->json,
                    $now,
                    $now,
                    $this->stateNow($documentId),
                ),
            );

            return;
        }
        $burst->change = ChangeForm::write(ChangeForm::read($burst->change)->followedBy($prepared->change));
        $burst->label = $label;
        $burst->revision = $revision;
        $burst->madeAt = $now;
    }

    /** @return string what the step is called */
    public function mark(int $step, string $state): string
    {
        $entry =
            $this->entities->find(JournalEntry::class, $step) ??
            throw new \LogicException(sprintf('There is no step %d.', $step));
        $entry->state = $state;

        return $entry->label;
    }

    /**
     * Puts old steps together as the document's rule says; see Thinning. Undoing goes back the same way in longer
     * strides. A
     * day that cannot be read stays as it is.
     *
     * @param int $most no more days are begun after so many steps; what is left is for the next call
     *
     * @return array{int, bool} how many steps fewer there are, and whether any are left to be put together
     */
    public function thin(string $documentId, int $weeks, int $now, int $most): array
    {
        $connection = $this->entities->getConnection();
        $steps = array_map(static function (array $fields): array {
            $row = new Row($fields);
            $state = $row->text('state');

            return [
                'id' => $row->integer('id'),
                'previous' => $row->integer('previous_id'),
                'madeAt' => $row->integer('made_at'),
                'isDone' => JournalEntry::DONE === $state,
                'isOpen' => JournalEntry::UNDONE === $state,
            ];
        }, $connection->fetchAllAssociative(
            'SELECT id, previous_id, made_at, state FROM journal WHERE document_id = ? ORDER BY id',
            [$documentId],
        ));
        $named = array_values(
            array_filter(
                $connection->fetchFirstColumn('SELECT step FROM milestone WHERE document_id = ?', [$documentId]),
                is_int(...),
            ),
        );
        ['joined' => $joined, 'dropped' => $dropped] = Thinning::of(
            $steps,
            $named,
            $now - max(Thinning::LEAST_WEEKS, $weeks) * self::WEEK,
        );
        $forgotten = array_slice($dropped, 0, $most);
        $this->forget($forgotten);
        $fewer = count($forgotten);
        foreach ($joined as $run) {
            if ($fewer >= $most) {
                break;
            }
            $fewer += $this->join($run) ? count($run) - 1 : 0;
        }

        return [$fewer, $fewer >= $most];
    }

    /** @param non-empty-list<int> $run one after the other */
    private function join(array $run): bool
    {
        try {
            $change = $this->changeOf($run[0]);
            foreach (array_slice($run, 1) as $step) {
                $change = $change->followedBy($this->changeOf($step));
            }
        } catch (\JsonException) {
            return false;
        }
        $first =
            $this->entities->find(JournalEntry::class, $run[0]) ??
            throw new \LogicException(sprintf('There is no step %d.', $run[0]));
        $last =
            $this->entities->find(JournalEntry::class, $run[count($run) - 1]) ??
            throw new \LogicException('The run has no end.');
        $last->change = ChangeForm::write($change);
        $last->label = sprintf('%s steps of one day, the last: %s', number_format(count($run)), $last->label);
        $last->startedAt = $first->startedAt;
        $last->previousId = $first->previousId;
        $last->typedIn = null;
        $this->forget(array_slice($run, 0, -1));

        return true;
    }

    /** @param list<int> $steps */
    private function forget(array $steps): void
    {
        foreach (array_chunk($steps, 500) as $some) {
            $this->entities
                ->getConnection()
                ->executeStatement('DELETE FROM journal WHERE id IN (?)', [$some], [ArrayParameterType::INTEGER]);
        }
    }

    public function findLastDone(string $documentId): ?JournalEntry
    {
        return $this->entities
            ->getRepository(JournalEntry::class)
            ->findOneBy(['documentId' => $documentId, 'state' => JournalEntry::DONE], ['id' => 'DESC']);
    }

    public function findFirstUndone(string $documentId): ?JournalEntry
    {
        return $this->entities
            ->getRepository(JournalEntry::class)
            ->findOneBy(['documentId' => $documentId, 'state' => JournalEntry::UNDONE], ['id' => 'ASC']);
    }

    /**
     * @param int|null $before only steps before this one; null from the last on
     *
     * @return list<array{id: int, previous: int, label: string, startedAt: int, madeAt: int,
     *     undone: bool}> the last first
     */
    public function lines(string $documentId, ?int $before, int $limit): array
    {
        $rows = $this->entities
            ->getConnection()
            ->fetchAllAssociative(
                'SELECT id, previous_id, label, started_at, made_at, state FROM journal WHERE document_id = ? AND id < ? ORDER BY id DESC LIMIT ' .
                    $limit,
                [$documentId, $before ?? \PHP_INT_MAX],
            );

        return array_map(static function (array $fields): array {
            $row = new Row($fields);

            return [
                'id' => $row->integer('id'),
                'previous' => $row->integer('previous_id'),
                'label' => $row->text('label'),
                'startedAt' => $row->integer('started_at'),
                'madeAt' => $row->integer('made_at'),
                'undone' => JournalEntry::DONE !== $row->text('state'),
            ];
        }, $rows);
    }

    /**
     * What a state is called, after the step that led to it; null for a step that is not in this document's history.
     */
    public function findNameOfState(string $documentId, int $state): ?string
    {
        if (0 === $state) {
            return 'the beginning';
        }
        $milestone = $this->entities
            ->getRepository(MilestoneRecord::class)
            ->findOneBy(['documentId' => $documentId, 'step' => $state], ['madeAt' => 'DESC']);
        $entry =
            null === $milestone
                ? $this->entities
                    ->getRepository(JournalEntry::class)
                    ->findOneBy(['documentId' => $documentId, 'id' => $state])
                : null;

        return match (true) {
            null !== $milestone => sprintf('the milestone “%s”', $milestone->name),
            null !== $entry => 'after: ' . $entry->label,
            default => null,
        };
    }

    /** The step that led to how the document reads now; 0 when it reads as it did in the beginning. */
    public function stateNow(string $documentId): int
    {
        // Without the change it keeps, which may be as long as a book.
        $id = $this->entities
            ->getConnection()
            ->fetchOne('SELECT max(id) FROM journal WHERE document_id = ? AND state = ?', [
                $documentId,
                JournalEntry::DONE,
            ]);

        return is_int($id) ? $id : 0;
    }

    /**
     * @param int $from state of this document's history, as is $to
     *
     * @return list<Change> the way from the one to the other, in turn
     */
    public function changesBetween(string $documentId, int $from, int $to): array
    {
        $previous = [];
        foreach (
            $this->entities
                ->getConnection()
                ->fetchAllAssociative('SELECT id, previous_id FROM journal WHERE document_id = ?', [$documentId])
            as $fields
        ) {
            $row = new Row($fields);
            $previous[$row->integer('id')] = $row->integer('previous_id');
        }
        $path = StatePath::between($previous, $from, $to);

        return [
            ...array_map(fn(int $step): Change => $this->changeOf($step)->inverted(), $path->back),
            ...array_map($this->changeOf(...), $path->forth),
        ];
    }

    private function changeOf(int $step): Change
    {
        $json = $this->entities->getConnection()->fetchOne('SELECT change FROM journal WHERE id = ?', [$step]);

        return ChangeForm::read(is_string($json) ? $json : '');
    }

    private function findBurst(string $documentId, string $typedIn, Change $change, int $now): ?JournalEntry
    {
        $last = $this->entities
            ->getRepository(JournalEntry::class)
            ->findOneBy(['id' => $this->stateNow($documentId), 'typedIn' => $typedIn]);
        $continues =
            null !== $last &&
            TypingBurst::isOfOneMoment($last->startedAt, $last->madeAt, $now) &&
            // What is typed after a milestone must not change the state that it names.
            0 ===
                $this->entities
                    ->getRepository(MilestoneRecord::class)
                    ->count(['documentId' => $documentId, 'step' => (int) $last->id]) &&
            TypingBurst::isOneDoing(ChangeForm::read($last->change), $change);

        return $continues ? $last : null;
    }
}
