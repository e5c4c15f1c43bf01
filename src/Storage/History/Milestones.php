<?php

declare(strict_types=1);

namespace Stemmata\Storage\History;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Entity\MilestoneRecord;

/** The named states of a document. */
final readonly class Milestones
{
    public function __construct(
        private EntityManagerInterface $entities,
        private WriteLock $lock,
        private Journal $journal,
        private IdSource $ids,
        private ClockInterface $clock,
    ) {}

    /** @return list<MilestoneRecord> the last named first */
    public function of(string $documentId): array
    {
        return $this->entities
            ->getRepository(MilestoneRecord::class)
            ->findBy(['documentId' => $documentId], ['madeAt' => 'DESC', 'step' => 'DESC']);
    }

    /** Names the state that the document is in now. */
    public function name(string $documentId, string $name): MilestoneRecord
    {
        return $this->lock->holding(function () use ($documentId, $name): MilestoneRecord {
            $milestone = new MilestoneRecord(
                $this->ids->next()->value,
                $documentId,
                $name,
                $this->journal->stateNow($documentId),
                $this->clock->now()->getTimestamp(),
            );
            $this->entities->persist($milestone);

            return $milestone;
        });
    }

    /** The state stays in the history; only its name goes. */
    public function forget(string $documentId, string $id): void
    {
        $this->lock->holding(function () use ($documentId, $id): void {
            $milestone = $this->entities
                ->getRepository(MilestoneRecord::class)
                ->findOneBy(['documentId' => $documentId, 'id' => $id]);
            if (null !== $milestone) {
                $this->entities->remove($milestone);
            }
        });
    }
}
