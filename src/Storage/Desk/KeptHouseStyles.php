<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Entity\HouseStyleRecord;
use Stemmata\Storage\Section\SectionForm;

/** The house styles that a writer keeps; a document that has the look of one keeps it, whatever becomes of these. */
final readonly class KeptHouseStyles
{
    public function __construct(
        private EntityManagerInterface $entities,
        private WriteLock $lock,
        private IdSource $ids,
        private CurrentWriter $writer,
        private ClockInterface $clock,
    ) {}

    /** @return array<string, StyleSheet> by id, the last kept first */
    public function all(): array
    {
        $sheets = [];
        foreach (
            $this->entities
                ->getRepository(HouseStyleRecord::class)
                ->findBy(['ownerId' => $this->writer->id()], ['madeAt' => 'DESC', 'id' => 'ASC'])
            as $record
        ) {
            $sheets[$record->id] = $record->sheet();
        }

        return $sheets;
    }

    public function find(string $id): ?StyleSheet
    {
        return $this->record($id)?->sheet();
    }

    /** @return string which one new documents have: the name of one that ships, or an id */
    public function nameForNew(): string
    {
        $chosen = $this->writer->record()->newLook;

        return null === $this->sheetOf($chosen) ? HouseStyles::all()[0]->name : $chosen;
    }

    /** What new documents look like. */
    public function forNew(): StyleSheet
    {
        return $this->sheetOf($this->writer->record()->newLook) ?? new StyleSheet(HouseStyles::all()[0]->label);
    }

    /** @return bool whether there is such a house style */
    public function chooseForNew(string $style): bool
    {
        return $this->lock->holding(function () use ($style): bool {
            $isThere = null !== $this->sheetOf($style);
            if ($isThere) {
                $this->writer->record()->newLook = $style;
            }

            return $isThere;
        });
    }

    private function sheetOf(string $style): ?StyleSheet
    {
        $shipped = HouseStyles::find($style);

        return null === $shipped ? $this->find($style) : new StyleSheet($shipped->label, $shipped->name);
    }

    /** @return string the id under which it is kept */
    public function keep(StyleSheet $sheet): string
    {
        $id = $this->ids->next()->value;
        $record = new HouseStyleRecord(
            $id,
            $this->writer->id(),
            $this->clock->now()->getTimestamp(),
            SectionForm::json($sheet->toJson()),
        );
        $this->lock->holding(function () use ($record): void {
            $this->entities->persist($record);
        });

        return $id;
    }

    /** @return bool whether there is one of that id */
    public function rename(string $id, string $name): bool
    {
        return $this->lock->holding(function () use ($id, $name): bool {
            $record = $this->record($id);
            if (null !== $record) {
                $record->sheet = SectionForm::json($record->sheet()->called($name)->toJson());
            }

            return null !== $record;
        });
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

    private function record(string $id): ?HouseStyleRecord
    {
        return $this->entities
            ->getRepository(HouseStyleRecord::class)
            ->findOneBy(['id' => $id, 'ownerId' => $this->writer->id()]);
    }
}
