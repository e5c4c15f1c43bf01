<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Starter\Starter;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Entity\StarterRecord;
use Stemmata\Storage\Entity\Writer;
use Stemmata\Storage\Section\SectionForm;

/** The outlines that a writer keeps as starters. */
final readonly class KeptStarters
{
    public function __construct(private EntityManagerInterface $entities, private WriteLock $lock, private IdSource $ids)
    {
    }

    /** @return list<Starter> the last kept first */
    public function all(string $ownerId = Writer::LOCAL): array
    {
        return array_map(static fn (StarterRecord $record): Starter => $record->starter(), $this->entities->getRepository(StarterRecord::class)->findBy(['ownerId' => $ownerId], ['madeAt' => 'DESC', 'id' => 'ASC']));
    }

    public function find(string $id): ?Starter
    {
        return $this->entities->find(StarterRecord::class, $id)?->starter();
    }

    public function keep(string $name, Document $document, string $ownerId = Writer::LOCAL): Starter
    {
        $starter = Starter::of($this->ids->next()->value, $name, $document);
        $record = new StarterRecord($starter->id, $ownerId, $name, time(), SectionForm::json($starter->toJson()));
        $this->lock->holding(function () use ($record): void {
            $this->entities->persist($record);
        });

        return $starter;
    }

    public function remove(string $id): void
    {
        $this->lock->holding(function () use ($id): void {
            $record = $this->entities->find(StarterRecord::class, $id);
            if (null !== $record) {
                $this->entities->remove($record);
            }
        });
    }
}
