<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\History;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\History\Comparison;
use Stemmata\Core\History\DetailChange;
use Stemmata\Core\History\Difference;
use Stemmata\Core\History\DifferenceKind;
use Stemmata\Core\History\Sittings;
use Stemmata\Core\History\StatePath;
use Stemmata\Core\History\WordMarks;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\History\BringBackSection;
use Stemmata\Core\Operation\History\GoBack;
use Stemmata\Core\Operation\History\TakeWording;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\StoredForm;
use Stemmata\Tests\Support\Wire;

/** The history: what became of the text, and the way back. */
final class HistoryTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function differences(): iterable
    {
        yield 'the shorter run is the one that moved' => [
            ['name' => 'move', 'sections' => ['b'], 'landing' => 'after', 'target' => 'd'],
            ['d moved'],
        ];
        yield 'a moved branch is one difference' => [
            ['name' => 'move', 'sections' => ['b'], 'landing' => 'after', 'target' => 'f'],
            ['b moved promoted'],
        ];
        yield 'a promoted branch is one difference' => [['name' => 'promote', 'sections' => ['b']], ['b promoted']];
        yield 'moved and deeper' => [
            ['name' => 'move', 'sections' => ['f'], 'landing' => 'inside', 'target' => 'b'],
            ['f moved demoted'],
        ];
        yield 'a new section' => [
            ['name' => 'insert', 'landing' => 'before', 'target' => 'd', 'heading' => 'new'],
            ['new new'],
        ];
        yield 'a branch that is gone' => [['name' => 'delete', 'sections' => ['b']], ['b gone', 'c gone']];
        yield 'a new heading' => [['name' => 'rename', 'section' => 'c', 'heading' => 'other'], ['other renamed']];
        yield 'new words' => [
            [
                'name' => 'replace-body',
                'section' => 'c',
                'body' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'New.']]]],
            ],
            ['c reworded'],
        ];
        yield 'what is noted about sections' => [
            [
                'name' => 'describe-section',
                'sections' => ['c', 'd'],
                'marker' => 'leaf',
                'aim' => 'To say it.',
                'target' => 300,
            ],
            ['c aim: → To say it. target: → 300 marker: → leaf', 'd aim: → To say it. target: → 300 marker: → leaf'],
        ];
        yield 'how they are numbered' => [
            ['name' => 'describe-section', 'sections' => ['d'], 'numbered' => false],
            ['d numbering: numbered → unnumbered'],
        ];
        yield 'as an appendix' => [
            ['name' => 'describe-section', 'sections' => ['f'], 'appendix' => true],
            ['f numbering: numbered → appendix'],
        ];
        yield 'and whether they are in the contents' => [
            ['name' => 'describe-section', 'sections' => ['d'], 'inContents' => false],
            ['d contents: listed → left out'],
        ];
    }

    /**
     * @param array<string, mixed> $operation
     * @param list<string>         $differences
     */
    #[DataProvider('differences')]
    public function testWhatBecameOfEachSection(array $operation, array $differences): void
    {
        $before = Sketch::document('1 a, 2 b, 3 c, 2 d, 2 e, 1 f');
        $after = Wire::done($before, $operation)->document;
        $then = (new GoBack([Change::between($before, $after)->inverted()], 'it'))->applyTo($after)->document;

        self::assertSame(
            $differences,
            array_map(
                static fn(Difference $difference): string => implode(' ', [
                    $difference->heading,
                    ...array_map(static fn(DifferenceKind $kind): string => $kind->value, $difference->kinds),
                    ...array_map(
                        static fn(DetailChange $noted): string => $noted->what->value .
                            ':' .
                            ('' === $noted->then ? '' : ' ' . $noted->then) .
                            ' → ' .
                            $noted->now,
                        $difference->noted,
                    ),
                ]),
                Comparison::between($then, $after),
            ),
        );
        self::assertSame([], Comparison::between($before, $before));
    }

    public function testGoingBackOverManyRandomStepsRestoresEveryState(): void
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $first = $documents->document(8);
            $changes = [];
            for ($step = 0; $step < 40; ++$step) {
                $outcome = $operations->on($document)[1]->applyTo($document);
                if ($outcome instanceof Applied && $outcome->document->outline->count() < 40) {
                    array_unshift($changes, Change::between($document, $outcome->document));
                    $document = $outcome->document;
                }
            }
            $back = (new GoBack(
                array_map(static fn(Change $change): Change => $change->inverted(), $changes),
                'the beginning',
            ))->applyTo($document)->document;
            $form = StoredForm::of($document);
            foreach ($changes as $change) {
                $form = StoredForm::changed($form, $change->inverted());
            }
            self::assertEquals($first->outline, $back->outline, "seed $seed");
            self::assertEquals($first->titleBlock, $back->titleBlock, "seed $seed");
            self::assertEquals(
                iterator_to_array($first->sections()),
                iterator_to_array($back->sections()),
                "seed $seed",
            );
            self::assertSame(
                $form,
                StoredForm::changed(StoredForm::of($document), Change::between($document, $back)),
                "seed $seed: going back is a step that can itself be undone",
            );
        }
    }

    public function testOneSectionTakesItsEarlierWordsWhereverItStandsNow(): void
    {
        $before = Sketch::document('1 a, 2 b');
        $after = Wire::done(
            Wire::done($before, ['name' => 'rename', 'section' => 'b', 'heading' => 'other'])->document,
            ['name' => 'promote', 'sections' => ['b']],
        )->document;
        $outcome = (new TakeWording($before->section(Sketch::id('b'))))->applyTo($after);
        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame('1 a, 1 b', Sketch::of($outcome->document));
        $gone = Wire::done($after, ['name' => 'delete', 'sections' => ['b']])->document;
        self::assertInstanceOf(Refused::class, (new TakeWording($before->section(Sketch::id('b'))))->applyTo($gone));
    }

    public function testASectionThatIsGoneComesBackBehindWhatStoodBeforeItFromWhereverItLies(): void
    {
        $then = Sketch::document('1 a, 2 b, 3 c, 2 d, 1 e');
        $gone = Wire::done(Wire::done($then, ['name' => 'delete', 'sections' => ['b']])->document, [
            'name' => 'move',
            'sections' => ['e'],
            'landing' => 'before',
            'target' => 'a',
        ])->document;
        $outcome = (new BringBackSection($then, Sketch::id('c')))->applyTo($gone);
        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame('1 e, 1 a, 3 c, 2 d', Sketch::of($outcome->document));
        self::assertEquals($then->section(Sketch::id('c')), $outcome->document->section(Sketch::id('c')));
        $offcut = $outcome->document->findOffcutHolding(Sketch::id('b'));
        self::assertSame(
            [Sketch::id('b')->value],
            array_map(static fn(SectionId $id): string => $id->value, $offcut?->outline->ids() ?? []),
            'the offcut keeps what was not asked for',
        );
        $both = (new BringBackSection($then, Sketch::id('b')))->applyTo($outcome->document);
        self::assertInstanceOf(Applied::class, $both);
        self::assertSame('1 e, 1 a, 2 b, 3 c, 2 d', Sketch::of($both->document));
        self::assertNull($both->document->findOffcutHolding(Sketch::id('b')), 'an emptied offcut is gone');
        self::assertInstanceOf(
            Refused::class,
            (new BringBackSection($then, Sketch::id('b')))->applyTo($both->document),
        );
        self::assertInstanceOf(
            Refused::class,
            (new BringBackSection($then, Sketch::id('never')))->applyTo($both->document),
        );
    }

    public function testTheFirstSectionAndAnOpeningComeBackToTheHead(): void
    {
        $then = Sketch::document('0, 1 a, 1 b');
        $gone = Wire::done($then, ['name' => 'delete', 'sections' => ['a']])->document;
        $back = (new BringBackSection($then, Sketch::id('a')))->applyTo($gone);
        self::assertInstanceOf(Applied::class, $back);
        self::assertSame('0, 1 a, 1 b', Sketch::of($back->document));
        $without = Wire::done($then, ['name' => 'delete', 'sections' => ['opening']])->document;
        $opened = (new BringBackSection($then, Sketch::id('opening')))->applyTo($without);
        self::assertInstanceOf(Applied::class, $opened);
        self::assertSame('0, 1 a, 1 b', Sketch::of($opened->document));
    }

    public function testTwoPastStatesAreComparedByWhatEitherChanged(): void
    {
        $first = Sketch::document('1 a, 1 b');
        $second = Wire::done($first, ['name' => 'rename', 'section' => 'a', 'heading' => 'other'])->document;
        $now = Wire::done($second, ['name' => 'rename', 'section' => 'b', 'heading' => 'last'])->document;
        $back = Change::between($second, $now)->inverted();
        $later = (new GoBack([$back], 'x'))->applyTo($now)->document;
        $earlier = (new GoBack([$back, Change::between($first, $second)->inverted()], 'x'))->applyTo($now)->document;
        $kinds = static fn(Document $from, Document $to): array => array_map(
            static fn(Difference $difference): string => $difference->heading,
            Comparison::between($from, $to),
        );
        self::assertSame(['other'], $kinds($earlier, $later));
        self::assertSame(['a'], $kinds($later, $earlier));
        self::assertSame(['other', 'last'], $kinds($earlier, $now));
        self::assertSame(['a', 'b'], $kinds($now, $earlier));
    }

    public function testEveryStateOfABranchingHistoryIsReachedOverTheNearestCommonOne(): void
    {
        $random = new Randomizer(new Mt19937(11));
        for ($run = 0; $run < 100; ++$run) {
            $previous = [];
            $states = [0 => ''];
            for ($step = 1; $step <= 20; ++$step) {
                $previous[$step] = $random->getInt(0, $step - 1);
                $states[$step] = $states[$previous[$step]] . ' ' . $step;
            }
            [$from, $to] = [$random->getInt(0, 20), $random->getInt(0, 20)];
            $path = StatePath::between($previous, $from, $to);
            $state = $states[$from];
            foreach ($path->back as $step) {
                self::assertStringEndsWith(' ' . $step, $state);
                $state = substr($state, 0, -strlen(' ' . $step));
            }
            foreach ($path->forth as $step) {
                $state .= ' ' . $step;
            }
            self::assertSame($states[$to], $state);
            self::assertSame([], array_intersect($path->back, $path->forth), 'no step is taken back and done again');
        }
    }

    public function testWordsThatWentAndCameAreMarked(): void
    {
        self::assertSame(
            [
                ['kind' => 'same', 'text' => 'The lamp was '],
                ['kind' => 'gone', 'text' => 'lit'],
                ['kind' => 'new', 'text' => 'trimmed'],
                ['kind' => 'same', 'text' => " at dusk.\nNobody slept."],
            ],
            WordMarks::between(
                "The lamp was lit at dusk.\nNobody slept.",
                "The lamp was trimmed at dusk.\nNobody slept.",
            ),
        );
        self::assertSame(
            [
                ['kind' => 'same', 'text' => 'He '],
                ['kind' => 'gone', 'text' => 'wrote nothing'],
                ['kind' => 'new', 'text' => 'slept soundly'],
                ['kind' => 'same', 'text' => ' then.'],
            ],
            WordMarks::between('He wrote nothing then.', 'He slept soundly then.'),
        );
        self::assertSame(
            [
                ['kind' => 'same', 'text' => '“The keeper’s '],
                ['kind' => 'gone', 'text' => 'log'],
                ['kind' => 'new', 'text' => 'log-book of 1.5'],
                ['kind' => 'same', 'text' => ',” she said.'],
            ],
            WordMarks::between('“The keeper’s log,” she said.', '“The keeper’s log-book of 1.5,” she said.'),
            'signs around words stay, signs within words belong to them',
        );
        self::assertSame(
            [
                ['kind' => 'same', 'text' => '灯台の'],
                ['kind' => 'gone', 'text' => '霧'],
                ['kind' => 'new', 'text' => '灯'],
            ],
            WordMarks::between('灯台の霧', '灯台の灯'),
            'what is written without blanks is compared sign by sign',
        );
        self::assertSame([['kind' => 'new', 'text' => '灯台']], WordMarks::between('', '灯台'));
        self::assertSame([], WordMarks::between('', ''));
    }

    public function testMarksReadAsTheOldTextAndAsTheNew(): void
    {
        $random = new Randomizer(new Mt19937(4));
        for ($run = 0; $run < 200; ++$run) {
            $text = static fn(): string => implode(
                '',
                array_map(
                    static fn(): string => [
                        'gale ',
                        'log',
                        "\n",
                        'naïve ',
                        '  ',
                        "\n\n",
                        'šifra ',
                        '1.5',
                        '–',
                        '…” ',
                        '灯',
                        '́',
                    ][$random->getInt(0, 11)],
                    range(1, $random->getInt(1, 25)),
                ),
            );
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
        self::assertSame(
            [['kind' => 'gone', 'text' => $then], ['kind' => 'new', 'text' => $now]],
            WordMarks::between($then, $now),
        );
    }

    public function testAPauseOfMoreThanHalfAnHourEndsASitting(): void
    {
        $step = static fn(int $at): array => ['startedAt' => $at, 'madeAt' => $at + 10];
        self::assertSame(
            [[$step(10_000), $step(9000)], [$step(5000)]],
            Sittings::of([$step(10_000), $step(9000), $step(5000)]),
        );
        self::assertSame(
            [[$step(10_000)], [$step(8000)]],
            Sittings::of([$step(10_000), $step(8000)]),
            'half an hour without a step ends a sitting',
        );
        self::assertSame([], Sittings::of([]));
    }

    public function testAPageHoldsWholeSittings(): void
    {
        $step = static fn(int $at): array => ['startedAt' => $at, 'madeAt' => $at + 10];
        [$a, $b, $c, $d, $e] = [$step(30_000), $step(29_000), $step(20_000), $step(19_000), $step(10_000)];

        self::assertSame([[[$a, $b], [$c, $d]], false], Sittings::page([$a, $b, $c, $d], 4));
        self::assertSame(
            [[[$a, $b], [$c, $d]], true],
            Sittings::page([$a, $b, $c, $d, $e], 4),
            'the next sitting is left for the next page',
        );
        self::assertSame([[[$a, $b]], true], Sittings::page([$a, $b, $c, $d], 3), 'and so is one that does not fit');
        self::assertSame([[[$a]], true], Sittings::page([$a, $b], 1), 'but for one that fits no page');
        self::assertSame([[], false], Sittings::page([], 4));
    }

    /** @param list<array{kind: 'same'|'gone'|'new', text: string}> $marks */
    private static function read(array $marks, string $without): string
    {
        return implode(
            '',
            array_column(array_filter($marks, static fn(array $mark): bool => $mark['kind'] !== $without), 'text'),
        );
    }
}
