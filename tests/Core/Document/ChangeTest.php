<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Refused;
use Stemmata\Storage\History\ChangeForm;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** What an operation did, as it was and as it is: from it everything is undone, and as it is the journal keeps it. */
final class ChangeTest extends TestCase
{
    private const DOCUMENT = '0 , 1 Logs, 2 Gaps, 3 Storms, 2 Ink, 1 Keepers';

    /**
     * @return iterable<string, array{list<array<string, mixed>>, list<string>}> operations in turn,
     *     and the sections whose text or facts they touched
     */
    public static function steps(): iterable
    {
        yield 'a move touches no section' => [
            [['name' => 'move', 'sections' => ['Gaps'], 'landing' => 'after', 'target' => 'Keepers']],
            [],
        ];
        yield 'nor does a promotion' => [[['name' => 'promote', 'sections' => ['Gaps']]], []];
        yield 'a new heading touches one' => [[['name' => 'rename', 'section' => 'Ink', 'heading' => 'Inks']], ['Ink']];
        yield 'a split touches two' => [[['name' => 'split', 'section' => 'Ink', 'from' => 3]], ['Ink', 'new']];
        yield 'a join touches two' => [
            [['name' => 'join', 'section' => 'Storms', 'heading' => 'paragraph']],
            ['Gaps', 'Storms'],
        ];
        yield 'a duplicate touches only the copies' => [
            [['name' => 'duplicate', 'sections' => ['Gaps']]],
            ['new', 'new'],
        ];
        yield 'what goes to the offcuts stays as it is' => [[['name' => 'delete', 'sections' => ['Gaps']]], []];
        yield 'the same aim for two' => [
            [
                [
                    'name' => 'describe-section',
                    'sections' => ['Ink', 'Gaps'],
                    'aim' => 'x',
                    'marker' => 'leaf',
                    'target' => 9,
                ],
            ],
            ['Ink', 'Gaps'],
        ];
        yield 'a title touches none' => [[['name' => 'describe-document', 'title' => 'T', 'target' => 5]], []];
        yield 'a numbering touches none' => [
            [['name' => 'use-numbering', 'numbering' => ['levels' => [1 => ['style' => 'upper-roman']]]]],
            [],
        ];
        yield 'several in turn' => [
            [
                ['name' => 'move-down', 'sections' => ['Gaps']],
                ['name' => 'rename', 'section' => 'Ink', 'heading' => 'Inks'],
                ['name' => 'set-aside', 'sections' => ['Storms']],
                ['name' => 'demote', 'sections' => ['Keepers']],
            ],
            ['Ink'],
        ];
        yield 'there and back is nothing' => [
            [['name' => 'demote', 'sections' => ['Keepers']], ['name' => 'promote', 'sections' => ['Keepers']]],
            [],
        ];
    }

    /**
     * @param list<array<string, mixed>> $operations
     * @param list<string>               $touched
     */
    #[DataProvider('steps')]
    public function testHoldsJustWhatWasTouchedAndLeadsThereAndBack(array $operations, array $touched): void
    {
        $before = Sketch::document(self::DOCUMENT);
        $after = array_reduce(
            $operations,
            static fn(Document $document, array $operation): Document => Wire::done($document, $operation)->document,
            $before,
        );
        $change = Change::between($before, $after);

        self::assertEqualsCanonicalizing(
            $touched,
            array_map(self::nameOf(...), array_map(strval(...), array_keys($change->sections))),
        );
        self::assertEquals($after->outline, $change->appliedToOutline($before->outline));
        self::assertEquals($before->outline, $change->inverted()->appliedToOutline($after->outline));
        self::assertEquals($change, $change->inverted()->inverted());
        $undone = $after->changedBy($change->inverted());
        self::assertSame(Sketch::of($before), Sketch::of($undone));
        self::assertTrue(Change::between($before, $undone)->isEmpty(), 'nothing is left of it');

        $stored = ChangeForm::write($change);
        self::assertEquals($change, ChangeForm::read($stored));
        self::assertSame($stored, ChangeForm::write(ChangeForm::read($stored)), 'to the byte');
    }

    /** Two changes in a row, as one: it leads where both lead, and back, and holds nothing that came and went again. */
    public function testTwoInARowAreOne(): void
    {
        $ids = new CountingIds();
        for ($seed = 1; $seed <= 60; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $states = [$documents->document()];
            while (count($states) < 6) {
                $done = $operations->on($states[count($states) - 1])[1]->applyTo($states[count($states) - 1]);
                $states[] = $done instanceof Refused ? $states[count($states) - 1] : $done->document;
            }
            $steps = [];
            for ($at = 1; $at < count($states); ++$at) {
                $steps[] = Change::between($states[$at - 1], $states[$at]);
            }
            $all = self::joined($steps);
            [$first, $last] = [$states[0], $states[count($states) - 1]];
            $direct = Change::between($first, $last);
            self::assertEquals([$direct->titleBlock, $direct->setup], [$all->titleBlock, $all->setup]);
            self::assertEquals($direct->sections, $all->sections, "seed $seed");
            self::assertEquals($direct->offcuts, $all->offcuts, "seed $seed");
            self::assertEquals($last->outline, $all->appliedToOutline($first->outline));

            $back = array_map(static fn(Change $step): Change => $step->inverted(), array_reverse($steps));
            $nothing = self::joined([...$steps, ...$back]);
            self::assertSame(
                [[], [], null, null],
                [$nothing->sections, $nothing->offcuts, $nothing->titleBlock, $nothing->setup],
            );
            self::assertEquals($first->outline, $nothing->appliedToOutline($first->outline));
        }
    }

    /** @param non-empty-list<Change> $steps */
    private static function joined(array $steps): Change
    {
        return array_reduce(
            array_slice($steps, 1),
            static fn(Change $all, Change $step): Change => $all->followedBy($step),
            $steps[0],
        );
    }

    public function testOnlyWhatLeftTheOutlineIsTold(): void
    {
        $before = Sketch::document(self::DOCUMENT);
        $moved = Change::between(
            $before,
            Wire::done($before, ['name' => 'move-down', 'sections' => ['Gaps']])->document,
        );
        $cut = Change::between($before, Wire::done($before, ['name' => 'delete', 'sections' => ['Gaps']])->document);

        self::assertSame([], $moved->removedIds());
        self::assertSame(['Gaps', 'Storms'], array_map(self::nameOf(...), $cut->removedIds()));
        self::assertSame([], $cut->inverted()->removedIds());
    }

    private static function nameOf(string $id): string
    {
        foreach (['Logs', 'Gaps', 'Storms', 'Ink', 'Keepers'] as $name) {
            if ($id === Sketch::id($name)->value) {
                return $name;
            }
        }

        return 'new';
    }
}
