<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\History;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Change;
use Stemmata\Core\Document;
use Stemmata\Core\History\Comparison;
use Stemmata\Core\History\Difference;
use Stemmata\Core\History\DifferenceKind;
use Stemmata\Core\History\GoBack;
use Stemmata\Core\History\Sittings;
use Stemmata\Core\History\TakeWording;
use Stemmata\Core\History\WordMarks;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\OperationReader;
use Stemmata\Core\Operation\Refused;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\StoredForm;

/** The history: what became of the text, and the way back. */
final class HistoryTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function differences(): iterable
    {
        yield 'the shorter run is the one that moved' => [['name' => 'move', 'sections' => ['b'], 'landing' => 'after', 'target' => 'd'], ['d moved']];
        yield 'a moved branch is one difference' => [['name' => 'move', 'sections' => ['b'], 'landing' => 'after', 'target' => 'f'], ['b moved promoted']];
        yield 'a promoted branch is one difference' => [['name' => 'promote', 'sections' => ['b']], ['b promoted']];
        yield 'moved and deeper' => [['name' => 'move', 'sections' => ['f'], 'landing' => 'inside', 'target' => 'b'], ['f moved demoted']];
        yield 'a new section' => [['name' => 'insert', 'landing' => 'before', 'target' => 'd', 'heading' => 'new'], ['new new']];
        yield 'a branch that is gone' => [['name' => 'delete', 'sections' => ['b']], ['b gone', 'c gone']];
        yield 'a new heading' => [['name' => 'rename', 'section' => 'c', 'heading' => 'other'], ['other renamed']];
        yield 'new words' => [['name' => 'replace-body', 'section' => 'c', 'body' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'New.']]]]], ['c reworded']];
        yield 'a marker is no difference of the text' => [['name' => 'describe-section', 'sections' => ['c'], 'marker' => 'leaf'], []];
    }

    /**
     * @param array<string, mixed> $operation
     * @param list<string>         $differences
     */
    #[DataProvider('differences')]
    public function testWhatBecameOfEachSection(array $operation, array $differences): void
    {
        $before = Sketch::document('1 a, 2 b, 3 c, 2 d, 2 e, 1 f');
        $after = self::applied($before, $operation);
        $then = (new GoBack([Change::between($before, $after)], 'it'))->applyTo($after)->document;

        self::assertSame($differences, array_map(
            static fn (Difference $difference): string => $difference->heading.' '.implode(' ', array_map(static fn (DifferenceKind $kind): string => $kind->value, $difference->kinds)),
            Comparison::between($then, $after),
        ));
        self::assertSame([], Comparison::between($before, $before));
    }

    public function testGoingBackOverManyRandomStepsRestoresEveryState(): void
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            $chance = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($chance, $ids);
            $operations = new RandomOperations($chance, $documents, $ids);
            $document = $first = $documents->document(8);
            $changes = [];
            for ($step = 0; $step < 40; ++$step) {
                $outcome = $operations->on($document)[1]->applyTo($document);
                if ($outcome instanceof Applied && $outcome->document->outline->count() < 40) {
                    array_unshift($changes, Change::between($document, $outcome->document));
                    $document = $outcome->document;
                }
            }
            $back = (new GoBack($changes, 'all of it'))->applyTo($document)->document;
            $form = StoredForm::of($document);
            foreach ($changes as $change) {
                $form = StoredForm::changed($form, $change->inverted());
            }
            self::assertEquals($first->outline, $back->outline, "seed $seed");
            self::assertEquals($first->titleBlock, $back->titleBlock, "seed $seed");
            self::assertEquals(iterator_to_array($first->sections()), iterator_to_array($back->sections()), "seed $seed");
            self::assertSame($form, StoredForm::changed(StoredForm::of($document), Change::between($document, $back)), "seed $seed: going back is a step that can itself be undone");
        }
    }

    public function testOneSectionTakesItsEarlierWordsWhereverItStandsNow(): void
    {
        $before = Sketch::document('1 a, 2 b');
        $after = self::applied(self::applied($before, ['name' => 'rename', 'section' => 'b', 'heading' => 'other']), ['name' => 'promote', 'sections' => ['b']]);
        $outcome = (new TakeWording($before->section(Sketch::id('b'))))->applyTo($after);
        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame('1 a, 1 b', Sketch::of($outcome->document));
        $gone = self::applied($after, ['name' => 'delete', 'sections' => ['b']]);
        self::assertInstanceOf(Refused::class, (new TakeWording($before->section(Sketch::id('b'))))->applyTo($gone));
    }

    public function testWordsThatWentAndCameAreMarked(): void
    {
        self::assertSame([
            ['kind' => 'same', 'text' => 'The lamp was '],
            ['kind' => 'gone', 'text' => 'lit'],
            ['kind' => 'new', 'text' => 'trimmed'],
            ['kind' => 'same', 'text' => " at dusk.\nNobody slept."],
        ], WordMarks::between("The lamp was lit at dusk.\nNobody slept.", "The lamp was trimmed at dusk.\nNobody slept."));
        self::assertSame([
            ['kind' => 'same', 'text' => 'He '],
            ['kind' => 'gone', 'text' => 'wrote nothing'],
            ['kind' => 'new', 'text' => 'slept soundly'],
            ['kind' => 'same', 'text' => ' then.'],
        ], WordMarks::between('He wrote nothing then.', 'He slept soundly then.'));
        self::assertSame([['kind' => 'new', 'text' => '灯台']], WordMarks::between('', '灯台'));
        self::assertSame([], WordMarks::between('', ''));
    }

    public function testMarksReadAsTheOldTextAndAsTheNew(): void
    {
        $chance = new Randomizer(new Mt19937(4));
        for ($run = 0; $run < 200; ++$run) {
            $text = static fn (): string => implode('', array_map(static fn (): string => ['gale ', 'log', "\n", 'naïve ', '  ', "\n\n", 'šifra '][$chance->getInt(0, 6)], range(1, $chance->getInt(1, 25))));
            [$then, $now] = [$text(), $text()];
            $marks = WordMarks::between($then, $now);
            self::assertSame($then, self::read($marks, 'new'));
            self::assertSame($now, self::read($marks, 'gone'));
        }
    }

    public function testALongRewrittenTextIsToldWhole(): void
    {
        $then = str_repeat('old ', 3000);
        $now = str_repeat('new ', 3000);
        self::assertSame([['kind' => 'gone', 'text' => $then], ['kind' => 'new', 'text' => $now]], WordMarks::between($then, $now));
    }

    public function testAPauseOfMoreThanHalfAnHourEndsASitting(): void
    {
        $step = static fn (int $at): array => ['startedAt' => $at, 'madeAt' => $at + 10];
        self::assertSame([[$step(10_000), $step(9000)], [$step(5000)]], Sittings::of([$step(10_000), $step(9000), $step(5000)]));
        self::assertSame([], Sittings::of([]));
    }

    /** @param list<array{kind: 'same'|'gone'|'new', text: string}> $marks */
    private static function read(array $marks, string $without): string
    {
        return implode('', array_column(array_filter($marks, static fn (array $mark): bool => $mark['kind'] !== $without), 'text'));
    }

    /** @param array<string, mixed> $operation */
    private static function applied(Document $document, array $operation): Document
    {
        $id = static fn (mixed $heading): mixed => is_string($heading) ? Sketch::id($heading)->value : $heading;
        foreach (['section', 'target'] as $field) {
            if (isset($operation[$field])) {
                $operation[$field] = $id($operation[$field]);
            }
        }
        if (is_array($operation['sections'] ?? null)) {
            $operation['sections'] = array_map($id, $operation['sections']);
        }
        $outcome = (new OperationReader(new CountingIds()))->read($operation)->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }
}
