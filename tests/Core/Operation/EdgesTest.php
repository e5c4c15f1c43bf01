<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\Targets;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Between\InsertDocument;
use Stemmata\Core\Operation\Between\PasteDocument;
use Stemmata\Core\Operation\Between\TakeBranches;
use Stemmata\Core\Operation\Detail\DescribeDocument;
use Stemmata\Core\Operation\History\BringBackSection;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\RefusalReason;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Section\SplitSection;
use Stemmata\Core\Operation\Wire\InvalidOperation;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** What operations do where they meet a limit, a link, or each other. */
final class EdgesTest extends TestCase
{
    public function testAnIdThatIsTakenIsRefused(): void
    {
        $outcome = (new SplitSection(Sketch::id('a'), 1, 1, Sketch::id('b')))->applyTo(Sketch::document('1 a, 1 b'));

        self::assertInstanceOf(Refused::class, $outcome);
        self::assertSame(RefusalReason::NameTaken, $outcome->reason);
    }

    public function testALanguageIsNamedByItsTagOrNotAtAll(): void
    {
        $refused = (new DescribeDocument(title: 'Lamps', language: 'nonsense words'))->applyTo(Sketch::document('1 a'));
        self::assertInstanceOf(Refused::class, $refused);
        self::assertSame(RefusalReason::OutOfRange, $refused->reason);

        $applied = (new DescribeDocument(language: 'de-AT'))->applyTo(Sketch::document('1 a'));
        self::assertInstanceOf(Applied::class, $applied);
        self::assertSame('de-AT', $applied->document->titleBlock->language);
    }

    public function testAnOpeningThatIsLinkedToStaysWhenItsWordsAreTaken(): void
    {
        $link = Node::paragraph([
            Node::text('see the opening', [Mark::link(LinkTarget::toSection(Sketch::id('opening')->value), null)]),
        ]);
        $plain = Sketch::document('0 , 1 a');
        $linked = self::with($plain, 'a', $link);
        $heading = ['name' => 'make-heading', 'section' => 'opening', 'blocks' => [0], 'level' => 1];

        self::assertSame('1 Text of ., 1 a', Sketch::of(Wire::done($plain, $heading)->document));
        self::assertSame('0, 1 Text of ., 1 a', Sketch::of(Wire::done($linked, $heading)->document));

        $chapters = static fn(Document $document): Document => self::with(
            $document,
            'opening',
            Node::paragraph([Node::text('Chapter 1')]),
            Node::paragraph([Node::text('Words.')]),
        );
        $split = ['name' => 'split-by-rule', 'sections' => ['opening'], 'rule' => 'chapter-lines'];
        self::assertFalse(Wire::done($chapters($plain), $split)->document->outline->hasOpening());
        self::assertTrue(Wire::done($chapters($linked), $split)->document->outline->hasOpening());

        $title = ['name' => 'take-as-title', 'section' => 'opening', 'block' => 0, 'part' => 'title'];
        self::assertTrue(Wire::done($linked, $title)->document->outline->hasOpening());
    }

    public function testALineThatIsStrongThroughoutIsAHeadingWithoutMarks(): void
    {
        $strong = [new Mark('strong')];
        $document = self::with(
            Sketch::document('1 a'),
            'a',
            Node::paragraph([Node::text('All', $strong), Node::text(' '), Node::text('strong', $strong)]),
            Node::paragraph([Node::text('Partly', $strong), Node::text(' so')]),
        );
        $made = Wire::done($document, ['name' => 'make-heading', 'section' => 'a', 'blocks' => [0, 1], 'level' => 2])
            ->document;

        self::assertSame([], $made->sectionAt(1)->heading->inline[0]->marks, 'a blank shows neither');
        self::assertSame($strong[0]->type, $made->sectionAt(2)->heading->inline[0]->marks[0]->type);
    }

    public function testAPassageComesBackToItsPlaceUnlessATargetIsChosen(): void
    {
        $cut = Wire::done(Sketch::document('1 a, 1 b'), [
            'name' => 'set-text-aside',
            'section' => 'a',
            'from' => 1,
            'to' => 5,
        ])->document;
        $offcut = array_key_first($cut->changedOffcuts);
        $back = Wire::done($cut, ['name' => 'bring-back', 'offcut' => $offcut, 'at' => 0])->document;
        $chosen = Wire::done($cut, [
            'name' => 'bring-back',
            'offcut' => $offcut,
            'target' => 'b',
            'landing' => 'inside',
            'at' => 0,
        ])->document;

        self::assertSame(
            'Text of a.',
            $back->sectionAt(0)->body->plainText(),
            'a place in the text belongs to a section that is named',
        );
        self::assertStringStartsWith("Text\n", $chosen->sectionAt(1)->body->plainText());
        $far = Wire::refused($cut, [
            'name' => 'bring-back',
            'offcut' => $offcut,
            'target' => 'b',
            'landing' => 'inside',
            'at' => 99,
        ]);
        self::assertSame('That place is not in the text of this section.', $far->sentence);
    }

    public function testAnOpeningBroughtBackToAPlaceStandsAtTheLevelOfThatPlace(): void
    {
        $cut = Wire::done(Sketch::document('0 , 1 a, 2 b'), ['name' => 'delete', 'sections' => ['opening']])->document;
        $back = Wire::done($cut, [
            'name' => 'bring-back',
            'offcut' => array_key_first($cut->changedOffcuts),
            'target' => 'b',
            'landing' => 'after',
        ])->document;

        self::assertSame([1, 2, 2], array_map(intval(...), str_split($back->outline->levels)));
    }

    public function testATargetOfNoughtIsNoneAndTheHighestIsAllowed(): void
    {
        $document = Sketch::document('1 a');
        $set = Wire::done($document, ['name' => 'describe-section', 'sections' => ['a'], 'target' => 500])->document;
        self::assertSame(500, $set->sectionAt(0)->target);
        self::assertSame(
            500,
            Wire::done($set, ['name' => 'describe-section', 'sections' => ['a'], 'aim' => 'x'])->document->sectionAt(0)
                ->target,
            'what is not said stays',
        );
        self::assertNull(
            Wire::done($set, ['name' => 'describe-section', 'sections' => ['a'], 'target' => 0])->document->sectionAt(0)
                ->target,
        );
        self::assertSame(
            100_000_000,
            Wire::done($document, [
                'name' => 'describe-section',
                'sections' => ['a'],
                'target' => 100_000_000,
            ])->document->sectionAt(0)->target,
        );
        Wire::refused($document, ['name' => 'describe-section', 'sections' => ['a'], 'target' => 100_000_001]);
    }

    public function testABatchTellsWhatEachOfItsStepsHasToTell(): void
    {
        $outcome = Wire::done(Sketch::document('1 a, 2 b, 2 c, 1 d, 2 e, 2 f'), [
            'name' => 'batch',
            'operations' => [['name' => 'promote', 'sections' => ['b']], ['name' => 'promote', 'sections' => ['e']]],
        ]);

        self::assertSame(
            ['“c” now stands under “b”.', '“f” now stands under “e”.'],
            array_map(static fn(Notice $notice): string => $notice->sentence, $outcome->notices),
        );
    }

    public function testBookmarksOfOneNameComeInUnderSeveral(): void
    {
        $mark = static fn(int $number): Node => Node::paragraph([
            new Node('bookmark', ['id' => 'b0000000000' . $number, 'name' => 'lamp']),
        ]);
        $other = self::with(self::with(Sketch::document('1 x, 1 y'), 'x', $mark(1)), 'y', $mark(2));
        $taken = (new TakeBranches(
            $other,
            [Sketch::id('x'), Sketch::id('y')],
            Landing::After,
            Sketch::id('a'),
            new CountingIds(),
        ))->applyTo(Sketch::document('1 a'));
        $inserted = (new InsertDocument($other, Landing::After, Sketch::id('a'), new CountingIds()))->applyTo(
            Sketch::document('1 a'),
        );

        self::assertInstanceOf(Applied::class, $taken);
        self::assertInstanceOf(Applied::class, $inserted);
        self::assertSame(['lamp', 'lamp_2'], self::bookmarks($taken->document));
        self::assertSame(['lamp', 'lamp_2'], self::bookmarks($inserted->document));
    }

    public function testLinksToBookmarksThatComeAlongStayAndOthersAreTold(): void
    {
        $other = self::with(
            Sketch::document('1 x, 1 y'),
            'x',
            Node::paragraph([
                new Node('bookmark', ['id' => 'b00000000001', 'name' => 'lamp']),
                Node::text('here', [Mark::link(LinkTarget::toBookmark('b00000000001'), null)]),
                Node::text('there', [Mark::link(LinkTarget::toSection(Sketch::id('y')->value), null)]),
            ]),
        );
        $taken = (new TakeBranches(
            $other,
            [Sketch::id('x')],
            Landing::After,
            Sketch::id('a'),
            new CountingIds(),
        ))->applyTo(Sketch::document('1 a'));

        self::assertInstanceOf(Applied::class, $taken);
        self::assertSame(
            ['One link leads to what stayed behind; it is among the findings there.'],
            array_map(static fn(Notice $notice): string => $notice->sentence, $taken->notices),
        );
    }

    public function testWhatWasPromisedToStandUnderneathIsRefusedWhereNothingCan(): void
    {
        $pasted = Sketch::document('1 x');
        $nine = (new PasteDocument(Sketch::id('i'), 0, 0, $pasted))->applyTo(Sketch::document('8 h, 9 i'));
        $eight = (new PasteDocument(Sketch::id('h'), 0, 0, $pasted))->applyTo(Sketch::document('8 h, 9 i'));
        $words = (new PasteDocument(Sketch::id('i'), 0, 0, Sketch::document('0 ')))->applyTo(Sketch::document('9 i'));
        $deep = (new InsertDocument(
            Sketch::document('1 x, 9 y, 1 z'),
            Landing::After,
            Sketch::id('a'),
            new CountingIds(),
        ))->applyTo(Sketch::document('1 a'));

        self::assertInstanceOf(Refused::class, $nine);
        self::assertInstanceOf(Applied::class, $eight);
        self::assertSame('8 h, 9 x, 9 i', Sketch::of($eight->document));
        self::assertInstanceOf(Applied::class, $words, 'words without a heading need no level');
        self::assertInstanceOf(Refused::class, $deep, 'its title is a heading above them');
    }

    public function testASectionBroughtBackFromBeforeAllOthersStandsAfterTheOpening(): void
    {
        $now = Sketch::document('0 , 1 b');
        $outcome = (new BringBackSection(Sketch::document('1 a, 1 b'), Sketch::id('a')))->applyTo($now);

        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame('0, 1 a, 1 b', Sketch::of($outcome->document));
    }

    public function testMoreLinesThanOneStepTakesAreRefused(): void
    {
        $this->expectException(InvalidOperation::class);
        Wire::operation(['name' => 'make-heading', 'section' => 'a', 'blocks' => range(0, 1000), 'level' => 2]);
    }

    /** @return list<string> names in the order of the text */
    private static function bookmarks(Document $document): array
    {
        $names = [];
        foreach ($document->sections() as $section) {
            array_push($names, ...array_values(References::in($section)->bookmarks));
        }

        return $names;
    }

    private static function with(Document $document, string $name, Node ...$blocks): Document
    {
        return $document->withSection($document->section(Sketch::id($name))->withBody(Body::of(array_values($blocks))));
    }

    #[TestWith([0, true])]
    #[TestWith([1, true])]
    #[TestWith([Targets::HIGHEST, true])]
    #[TestWith([Targets::HIGHEST + 1, false])]
    #[TestWith([-1, false])]
    public function testATargetOfTheDocument(int $words, bool $isTaken): void
    {
        $outcome = (new DescribeDocument(target: $words))->applyTo(Sketch::document('1 a'));
        if ($isTaken) {
            self::assertInstanceOf(Applied::class, $outcome);
            self::assertSame(0 === $words ? null : $words, $outcome->document->titleBlock->target);
        } else {
            self::assertInstanceOf(Refused::class, $outcome);
        }
    }

    public function testPartsOfALengthMayBeginWithASingleWord(): void
    {
        $paragraph = static fn(string $words): Node => Node::paragraph([Node::text($words)]);
        $document = self::with(
            Sketch::document('1 a'),
            'a',
            $paragraph('One'),
            $paragraph(trim(str_repeat('word ', 100))),
            $paragraph('two'),
            $paragraph('three'),
        );
        $split = Wire::done($document, [
            'name' => 'split-by-rule',
            'sections' => ['a'],
            'rule' => 'words',
            'words' => 50,
        ])->document;

        self::assertSame(
            ['One', trim(str_repeat('word ', 100)), "two\nthree"],
            array_map(
                static fn(int $position): string => $split->sectionAt($position)->body->plainText(),
                range(0, $split->outline->count() - 1),
            ),
        );
    }
}
