<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Storage\History\ChangeForm;
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
