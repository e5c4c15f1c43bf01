<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Between\InsertDocument;
use Stemmata\Core\Operation\Between\PasteDocument;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** What each operation does, as a small outline before and after. */
final class OperationsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function changes(): iterable
    {
        yield 'promote takes the branch along' => [
            '1 a, 2 b, 3 c, 2 d',
            ['name' => 'promote', 'sections' => ['b']],
            '1 a, 1 b, 2 c, 2 d',
        ];
        yield 'promote the heading only' => [
            '1 a, 2 b, 3 c',
            ['name' => 'promote', 'sections' => ['b'], 'extent' => 'heading-only'],
            '1 a, 1 b, 3 c',
        ];
        yield 'demote several, each once' => [
            '1 a, 2 b, 1 c',
            ['name' => 'demote', 'sections' => ['a', 'b', 'c']],
            '2 a, 3 b, 2 c',
        ];
        yield 'set level keeps inner relations' => [
            '1 a, 2 b, 3 c',
            ['name' => 'set-level', 'sections' => ['b'], 'level' => 4],
            '1 a, 4 b, 5 c',
        ];
        yield 'move inside takes the level of the place' => [
            '1 a, 2 b, 1 c, 2 d',
            ['name' => 'move', 'sections' => ['c'], 'landing' => 'inside', 'target' => 'b'],
            '1 a, 2 b, 3 c, 4 d',
        ];
        yield 'move before' => [
            '1 a, 2 b, 1 c',
            ['name' => 'move', 'sections' => ['b'], 'landing' => 'before', 'target' => 'a'],
            '1 b, 1 a, 1 c',
        ];
        yield 'move after goes past the whole branch' => [
            '1 a, 1 b, 2 c',
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'after', 'target' => 'b'],
            '1 b, 2 c, 1 a',
        ];
        yield 'several land in the order they stood in' => [
            '1 a, 1 b, 1 c, 1 d',
            ['name' => 'move', 'sections' => ['c', 'a'], 'landing' => 'after', 'target' => 'd'],
            '1 b, 1 d, 1 a, 1 c',
        ];
        yield 'up among siblings' => [
            '1 a, 2 b, 3 c, 2 d, 3 e',
            ['name' => 'move-up', 'sections' => ['d']],
            '1 a, 2 d, 3 e, 2 b, 3 c',
        ];
        yield 'down, two together' => [
            '1 a, 1 b, 1 c',
            ['name' => 'move-down', 'sections' => ['a', 'b']],
            '1 c, 1 a, 1 b',
        ];
        yield 'insert inside' => [
            '1 a, 2 b, 1 c',
            ['name' => 'insert', 'landing' => 'inside', 'target' => 'a', 'heading' => 'new'],
            '1 a, 2 b, 2 new, 1 c',
        ];
        yield 'duplicate a branch' => [
            '1 a, 2 b, 1 c',
            ['name' => 'duplicate', 'sections' => ['a']],
            '1 a, 2 b, 1 a, 2 b, 1 c',
        ];
        yield 'delete a branch' => ['1 a, 2 b, 1 c', ['name' => 'delete', 'sections' => ['a']], '1 c'];
        yield 'rename' => ['1 a', ['name' => 'rename', 'section' => 'a', 'heading' => " two\n words "], '1 two words'];
        yield 'join' => ['1 a, 2 b, 3 c', ['name' => 'join', 'section' => 'b', 'heading' => 'paragraph'], '1 a, 3 c'];
        yield 'the opening is deleted alone, for nothing is under it' => [
            '0 , 1 a, 2 b',
            ['name' => 'delete', 'sections' => ['opening']],
            '1 a, 2 b',
        ];
        yield 'the first heading becomes the opening' => [
            '1 a, 1 b',
            ['name' => 'join', 'section' => 'a', 'heading' => 'paragraph'],
            '0, 1 b',
        ];
        yield 'make heading' => [
            '1 a, 2 b',
            ['name' => 'make-heading', 'section' => 'a', 'blocks' => [0], 'level' => 3],
            '1 a, 3 Text of a., 2 b',
        ];
        yield 'make headings in several sections, each at its level' => [
            '1 a, 1 b',
            [
                'name' => 'make-headings',
                'lines' => [
                    ['section' => 'b', 'block' => 0, 'level' => 3],
                    ['section' => 'a', 'block' => 0, 'level' => 2],
                ],
            ],
            '1 a, 2 Text of a., 1 b, 3 Text of b.',
        ];
        yield 'the last paragraph of an opening becomes the title' => [
            '0 , 1 a',
            ['name' => 'take-as-title', 'section' => 'opening', 'block' => 0, 'part' => 'title'],
            '1 a',
        ];
        yield 'the title becomes a paragraph of an opening made for it' => [
            '1 a',
            ['name' => 'put-title-in-text', 'part' => 'title'],
            '0, 1 a',
        ];
        yield 'split at words' => [
            '1 a, 2 b',
            ['name' => 'split', 'section' => 'a', 'from' => 1, 'to' => 5],
            '1 a, 1 Text, 2 b',
        ];
    }

    /** @param array<string, mixed> $operation */
    #[DataProvider('changes')]
    public function testOutlineAfter(string $before, array $operation, string $after): void
    {
        self::assertSame($after, Sketch::of(Wire::done(Sketch::document($before), $operation)->document));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function refusals(): iterable
    {
        yield 'level 0' => [
            '1 a',
            ['name' => 'promote', 'sections' => ['a']],
            '“a” is at level 1 already; there is no higher level.',
        ];
        yield 'level 10' => [
            '8 a, 9 b',
            ['name' => 'demote', 'sections' => ['a']],
            '“a” cannot go deeper: a heading in it would pass level 9, the deepest there is.',
        ];
        yield 'into its own branch' => [
            '1 a, 2 b',
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'inside', 'target' => 'b'],
            '“a” cannot be moved into itself.',
        ];
        yield 'into what is moved' => [
            '1 a, 2 b',
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'before', 'target' => 'a'],
            '“a” cannot be moved into itself.',
        ];
        yield 'unknown id' => [
            '1 a',
            ['name' => 'promote', 'sections' => ['nowhere']],
            'There is no section “nowherexxxxx” in this document; it may have been deleted.',
        ];
        yield 'before the opening' => [
            '0 , 1 a',
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'before', 'target' => 'opening'],
            'Nothing can stand before the opening.',
        ];
        yield 'the opening has no level' => [
            '0 , 1 a',
            ['name' => 'demote', 'sections' => ['opening']],
            'The opening has no heading, so it stays first and has no level.',
        ];
        yield 'first already' => [
            '1 a, 2 b',
            ['name' => 'move-up', 'sections' => ['b']],
            '“b” is the first at its place already.',
        ];
        yield 'a place outside the text' => [
            '1 a',
            ['name' => 'split', 'section' => 'a', 'from' => 999],
            'That place is not in the text of this section.',
        ];
        yield 'a line that is not there' => [
            '1 a',
            ['name' => 'make-headings', 'lines' => [['section' => 'a', 'block' => 7, 'level' => 2]]],
            'That place is not in the text of this section.',
        ];
        yield 'no place to split at' => [
            '1 a',
            ['name' => 'split-by-rule', 'sections' => ['a'], 'rule' => 'chapter-lines'],
            'Nothing in this text is such a place to split at.',
        ];
        yield 'parts too short' => [
            '1 a',
            ['name' => 'split-by-rule', 'sections' => ['a'], 'rule' => 'words', 'words' => 10],
            'A section of the wanted length has from 50 to 100,000 words.',
        ];
        yield 'no subtitle to take' => [
            '1 a',
            ['name' => 'put-title-in-text', 'part' => 'subtitle'],
            'There are no words there to become a paragraph.',
        ];
        yield 'nothing picked' => ['1 a', ['name' => 'delete', 'sections' => []], 'No section is picked.'];
        yield 'all or nothing in a batch' => [
            '1 a, 1 b',
            [
                'name' => 'batch',
                'operations' => [['name' => 'demote', 'sections' => ['b']], ['name' => 'promote', 'sections' => ['a']]],
            ],
            'Step 2 cannot be done, so nothing was changed. “a” is at level 1 already; there is no higher level.',
        ];
    }

    /** @param array<string, mixed> $operation */
    #[DataProvider('refusals')]
    public function testRefusedInPlainWords(string $before, array $operation, string $sentence): void
    {
        self::assertSame($sentence, Wire::refused(Sketch::document($before), $operation)->sentence);
    }

    public function testAPromotedHeadingTellsWhatFellUnderIt(): void
    {
        $outcome = Wire::done(Sketch::document('1 a, 2 b, 2 c, 2 d'), ['name' => 'promote', 'sections' => ['b']]);

        self::assertSame(
            ['“c” and 1 more now stand under “b”.'],
            array_map(static fn(Notice $notice): string => $notice->sentence, $outcome->notices),
        );
    }

    public function testWhatIsDeletedComesBackToItsPlace(): void
    {
        $without = Wire::done(Sketch::document('1 a, 2 b, 3 c, 2 d'), ['name' => 'delete', 'sections' => ['b']])
            ->document;
        $offcut = array_key_first($without->changedOffcuts);
        $again = Wire::done($without, ['name' => 'bring-back', 'offcut' => (string) $offcut])->document;

        self::assertSame('1 a, 2 d', Sketch::of($without));
        self::assertSame('1 a, 2 b, 3 c, 2 d', Sketch::of($again));
    }

    public function testLinksToAJoinedSectionArriveAtABookmarkInItsPlace(): void
    {
        $document = Sketch::document('1 a, 1 b');
        $link = Node::paragraph([Node::text('see', [Mark::link('section:' . Sketch::id('b')->value)])]);
        $document = $document->withSection($document->sectionAt(0)->withBody(Body::of([$link])));
        $joined = Wire::done($document, ['name' => 'join', 'section' => 'b', 'heading' => 'paragraph'])->document;

        self::assertSame([Sketch::id('b')->value => 'b'], References::in($joined->sectionAt(0))->bookmarks);
    }

    public function testAHeadingThatWasTakenApartIsOneAgain(): void
    {
        $document = Sketch::document('1 a, 1 b');
        $document = $document->withSection($document->sectionAt(0)->withBody(Body::of([Node::paragraph([])])));
        $joined = Wire::done($document, ['name' => 'join', 'section' => 'b', 'heading' => 'line'])->document;
        self::assertSame('ab', $joined->sectionAt(0)->heading->plainText());
        self::assertEquals($document->sectionAt(1)->body, $joined->sectionAt(0)->body);

        // Where a text stands between the two, it is a paragraph.
        $between = $document->withSection(
            $document->sectionAt(0)->withBody(Body::of([Node::paragraph([Node::text('words')])])),
        );
        $joined = Wire::done($between, ['name' => 'join', 'section' => 'b', 'heading' => 'line'])->document;
        self::assertSame('a', $joined->sectionAt(0)->heading->plainText());
        self::assertStringStartsWith("words\nb", $joined->sectionAt(0)->body->plainText());
    }

    public function testABookmarksNameIsTakenOnlyOnce(): void
    {
        $document = Sketch::document('1 a, 1 b');
        $mark = static fn(string $id): Body => Body::of([
            Node::paragraph([new Node('bookmark', ['id' => $id, 'name' => 'watch_rule'])]),
        ]);
        $document = $document->withSection($document->sectionAt(0)->withBody($mark('marka0000000')));
        $refused = Wire::refused($document, [
            'name' => 'replace-body',
            'section' => 'b',
            'body' => $mark('markb0000000')->toJson(),
        ]);

        self::assertSame(
            'There is a bookmark “watch_rule” already, in “a”; give this one another name.',
            $refused->sentence,
        );
    }

    public function testEachItemOfAListBecomesAHeadingAndWhatItHoldsItsText(): void
    {
        $item = static fn(string $words, Node ...$rest): Node => new Node(
            'listItem',
            content: [Node::paragraph([Node::text($words)]), ...array_values($rest)],
        );
        $list = new Node(
            'bulletList',
            content: [
                $item(
                    'one',
                    Node::paragraph([Node::text('more of one')]),
                    new Node('orderedList', ['start' => 1], [$item('inner')]),
                ),
                $item('two'),
            ],
        );
        $document = Sketch::document('1 a');
        $document = $document->withSection(
            $document->sectionAt(0)->withBody(Body::of([$list, Node::paragraph([Node::text('after')])])),
        );
        $made = Wire::done($document, ['name' => 'make-heading', 'section' => 'a', 'blocks' => [0], 'level' => 2])
            ->document;

        self::assertSame('1 a, 2 one, 3 inner, 2 two', Sketch::of($made));
        self::assertSame(
            ['', 'more of one', '', 'after'],
            array_map(
                static fn(Section $section): string => $section->body->plainText(),
                array_values(iterator_to_array($made->sections())),
            ),
        );
    }

    /** @return iterable<string, array{list<Node>, array<string, mixed>, string, list<string>}> */
    public static function longTexts(): iterable
    {
        $lines = static fn(string ...$words): array => array_map(
            static fn(string $line): Node => '***' === $line
                ? new Node('separator')
                : Node::paragraph([Node::text($line)]),
            array_values($words),
        );
        yield 'chapter lines, parts above them' => [
            $lines('Before.', 'Part I', 'Chapter 1: Oil', 'x', 'Chapter 2', 'y', 'Part II', 'z'),
            ['rule' => 'chapter-lines'],
            '1 a, 1 Part I, 2 Chapter 1: Oil, 2 Chapter 2, 1 Part II',
            ['Before.', '', 'x', 'y', 'z'],
        ];
        yield 'numbered lines' => [
            $lines('1. Scope', 'x', '1.1 Terms', 'y', 'The year 1895.', '2. Method', 'z'),
            ['rule' => 'numbered-lines'],
            '1 a, 1 1. Scope, 2 1.1 Terms, 1 2. Method',
            ['', 'x', "y\nThe year 1895.", 'z'],
        ];
        yield 'separators and lines of stars' => [
            $lines('one', '***', 'two', '* * *', 'three'),
            ['rule' => 'separators'],
            '1 a, 1 a, part 2, 1 a, part 3',
            ['one', 'two', 'three'],
        ];
        yield 'page breaks' => [
            [Node::paragraph([Node::text('one')]), new Node('pageBreak'), Node::paragraph([Node::text('two')])],
            ['rule' => 'page-breaks'],
            '1 a, 1 a, part 2',
            ['one', 'two'],
        ];
        $long = str_repeat('word ', 30);
        yield 'every fifty words, where a paragraph ends' => [
            $lines($long, $long, $long, $long, $long),
            ['rule' => 'words', 'words' => 50],
            '1 a, 1 a, part 2, 1 a, part 3',
            [$long . "\n" . $long, $long . "\n" . $long, $long],
        ];
    }

    /**
     * @param list<Node>           $blocks
     * @param array<string, mixed> $rule
     * @param list<string>         $texts
     */
    #[DataProvider('longTexts')]
    public function testALongTextIsSplitByRule(array $blocks, array $rule, string $outline, array $texts): void
    {
        $document = Sketch::document('1 a');
        $document = $document->withSection($document->sectionAt(0)->withBody(Body::of($blocks)));
        $split = Wire::done($document, ['name' => 'split-by-rule', 'sections' => ['a'], ...$rule])->document;

        self::assertSame($outline, Sketch::of($split));
        self::assertSame(
            $texts,
            array_map(
                static fn(Section $section): string => $section->body->plainText(),
                array_values(iterator_to_array($split->sections())),
            ),
        );
    }

    /** @return iterable<string, array{string, string, Landing, string, string}> */
    public static function graftings(): iterable
    {
        yield 'one branch takes the level of the place' => [
            '1 a, 2 b',
            '1 x, 2 y',
            Landing::Inside,
            'b',
            '1 a, 2 b, 3 x, 4 y',
        ];
        yield 'several get their title as a head' => [
            '1 a, 2 b',
            '1 x, 1 y',
            Landing::After,
            'a',
            '1 a, 2 b, 1 Sketch, 2 x, 2 y',
        ];
        yield 'text before the first heading stands under the title' => [
            '1 a',
            '0 , 2 x, 3 y',
            Landing::Before,
            'a',
            '1 Sketch, 2 x, 3 y, 1 a',
        ];
    }

    #[DataProvider('graftings')]
    public function testAnotherDocumentIsFittedToThePlace(
        string $before,
        string $other,
        Landing $landing,
        string $target,
        string $after,
    ): void {
        $outcome = (new InsertDocument(
            Sketch::document($other),
            $landing,
            Sketch::id($target),
            new CountingIds(),
        ))->applyTo(Sketch::document($before));

        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame($after, Sketch::of($outcome->document));
    }

    public function testAPassageIsSetAsideAndComesBackWhereItWasOrAtTheCursor(): void
    {
        $document = Sketch::document('1 a, 2 b');
        $without = Wire::done($document, ['name' => 'set-text-aside', 'section' => 'a', 'from' => 5, 'to' => 8])
            ->document;
        self::assertSame(
            'Text a.',
            $without->section(Sketch::id('a'))->body->plainText(),
            'What is left is one paragraph again.',
        );
        $offcut = (string) array_key_first($without->changedOffcuts);
        self::assertSame(
            ' of',
            $without
                ->section($without->changedOffcuts[$offcut]?->outline->idAt(0) ?? Sketch::id('none'))
                ->body->plainText(),
        );

        $back = Wire::done($without, ['name' => 'bring-back', 'offcut' => $offcut])->document;
        self::assertEquals($document->section(Sketch::id('a')), $back->section(Sketch::id('a')));
        self::assertNull($back->findOffcut(SectionId::fromString($offcut)));

        $here = Wire::done($without, ['name' => 'bring-back', 'offcut' => $offcut, 'target' => 'b', 'at' => 0])
            ->document;
        self::assertSame(" of\nText of b.", $here->section(Sketch::id('b'))->body->plainText());
    }

    public function testTwoParagraphsCutThroughBecomeOneAndWholeOnesLeaveTheirNeighboursAlone(): void
    {
        $body = Sketch::body('one two', 'three', 'four five');
        self::assertSame('one five', $body->without(5, 22)->plainText());
        self::assertSame("one two\nfour five", $body->without(9, 16)->plainText());
        self::assertSame("one\nfour five", $body->without(4, 16)->plainText());
    }

    public function testAPassageWhoseSectionIsGoneComesBackAsASection(): void
    {
        $without = Wire::done(Sketch::document('1 a, 1 b'), [
            'name' => 'set-text-aside',
            'section' => 'a',
            'from' => 1,
            'to' => 5,
        ])->document;
        $offcut = (string) array_key_first($without->changedOffcuts);
        $gone = Wire::done($without, ['name' => 'delete', 'sections' => ['a']])->document;
        self::assertSame(
            '1 b, 1',
            Sketch::of(Wire::done($gone, ['name' => 'bring-back', 'offcut' => $offcut])->document),
        );
    }

    public function testAnOffcutThrownAwayIsGone(): void
    {
        $without = Wire::done(Sketch::document('1 a, 2 b'), ['name' => 'delete', 'sections' => ['b']])->document;
        $offcut = (string) array_key_first($without->changedOffcuts);
        $thrown = Wire::done($without, ['name' => 'discard', 'offcut' => $offcut])->document;
        self::assertNull($thrown->findOffcut(SectionId::fromString($offcut)));
    }

    public function testABranchThatWouldPassLevelNineIsNotPutIn(): void
    {
        $outcome = (new InsertDocument(
            Sketch::document('1 x, 2 y'),
            Landing::Inside,
            Sketch::id('b'),
            new CountingIds(),
        ))->applyTo(Sketch::document('7 a, 8 b'));

        self::assertInstanceOf(Refused::class, $outcome);
        self::assertSame('Its headings cannot all stand here: the deepest would pass level 9.', $outcome->sentence);
    }

    public function testPastedTextGoesWhereTheCursorIsAndTheRestFollowsIt(): void
    {
        $outcome = (new PasteDocument(Sketch::id('a'), 6, 6, Sketch::document('0 , 1 x, 2 y')))->applyTo(
            Sketch::document('1 a, 1 b'),
        );

        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame('1 a, 2 x, 3 y, 1 b', Sketch::of($outcome->document));
        self::assertSame(
            ['Text\nText of .', 'Text of x.', "Text of y.\nof a.", 'Text of b.'],
            array_map(
                static fn(Section $section): string => strtr($section->body->plainText(), [
                    "Text \nText of ." => 'Text\nText of .',
                    "\n of" => "\nof",
                ]),
                array_values(iterator_to_array($outcome->document->sections())),
            ),
        );
    }
}
