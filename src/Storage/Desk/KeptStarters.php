<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Starter\Starter;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Entity\StarterRecord;
use Stemmata\Storage\Section\SectionForm;

/** The outlines that a writer keeps as starters. */
final readonly class KeptStarters
{
    public function __construct(
        private EntityManagerInterface $entities,
        private WriteLock $lock,
        private IdSource $ids,
        private CurrentWriter $writer,
        private ClockInterface $clock,
    ) {}

    /** @return list<Starter> the last kept first */
    public function all(): array
    {
        return array_map(
            static fn(StarterRecord $record): Starter => $record->starter(),
            $this->entities
                ->getRepository(StarterRecord::class)
                ->findBy(['ownerId' => $this->writer->id()], ['madeAt' => 'DESC', 'id' => 'ASC']),
        );
    }

    public function find(string $id): ?Starter
    {
        return $this->record($id)?->starter();
    }

    public function keep(string $name, Document $document): Starter
    {
        $starter = Starter::of($this->ids->next()->value, $name, $document);
        $record = new StarterRecord(
            $starter->id,
            $this->writer->id(),
            $name,
            $this->clock->now()->getTimestamp(),
            SectionForm::json($starter->toJson()),
        );
        $this->lock->holding(function () use ($record): void {
            $this->entities->persist($record);
        });

        return $starter;
    }

    public function remove(string $id): void
    {
        $this->lock->holding(function () use ($id): void {
            $record = $this->record($id);
            if (null !== $record) {
                $this->entities->remove($record);
            }
        });
    }

    private function record(string $id): ?StarterRecord
    {
        return $this->entities
            ->getRepository(StarterRecord::class)
            ->findOneBy(['id' => $id, 'ownerId' => $this->writer->id()]);
    }
}
