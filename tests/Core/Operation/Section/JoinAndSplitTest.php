<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Section;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** Cutting a text in two, and putting it together again. */
final class JoinAndSplitTest extends TestCase
{
    /** @return iterable<string, array{int, int, string, list<string>}> from and to; the outline after, and the texts */
    public static function cuts(): iterable
    {
        yield 'at the very beginning' => [0, 0, '1 a, 1, 2 b', ['', "One two.\nThree four."]];
        yield 'within a paragraph' => [5, 5, '1 a, 1, 2 b', ['One ', "two.\nThree four."]];
        yield 'between paragraphs' => [10, 10, '1 a, 1, 2 b', ['One two.', 'Three four.']];
        yield 'at the very end' => [23, 23, '1 a, 1, 2 b', ["One two.\nThree four.", '']];
        yield 'words become the heading' => [11, 16, '1 a, 1 Three, 2 b', ['One two.', 'four.']];
        yield 'a whole paragraph becomes the heading' => [0, 10, '1 a, 1 One two., 2 b', ['', 'Three four.']];
    }

    /** @param list<string> $texts */
    #[DataProvider('cuts')]
    public function testWhatFollowsThePlaceGoesToANewSection(int $from, int $to, string $outline, array $texts): void
    {
        $document = self::withBody(Sketch::document('1 a, 2 b'), 'a', Sketch::body('One two.', 'Three four.'));
        $split = Wire::done($document, ['name' => 'split', 'section' => 'a', 'from' => $from, 'to' => $to]);

        self::assertSame($outline, Sketch::of($split->document));
        self::assertSame($texts, array_slice(self::texts($split->document), 0, 2));
        self::assertStringContainsString(
            '“b” now stands under',
            $split->notices[0]->sentence,
            'deeper sections follow the new one',
        );
    }

    public function testWordsOfTwoParagraphsAreNoHeading(): void
    {
        $document = self::withBody(Sketch::document('1 a'), 'a', Sketch::body('One two.', 'Three four.'));

        self::assertSame(
            'The words of a new heading must lie within one paragraph.',
            Wire::refused($document, ['name' => 'split', 'section' => 'a', 'from' => 5, 'to' => 16])->sentence,
        );
        foreach ([[-1, 0], [3, 2], [0, 24]] as [$from, $to]) {
            self::assertSame(
                'That place is not in the text of this section.',
                Wire::refused($document, ['name' => 'split', 'section' => 'a', 'from' => $from, 'to' => $to])->sentence,
            );
        }
    }

    public function testMarksLiveOnOnBothSidesOfTheCut(): void
    {
        $bold = Node::paragraph([Node::text('bold words', [new Mark('strong')])]);
        $split = Wire::done(self::withBody(Sketch::document('1 a'), 'a', Body::of([$bold])), [
            'name' => 'split',
            'section' => 'a',
            'from' => 5,
        ])->document;

        foreach ($split->sections() as $section) {
            self::assertSame('strong', $section->body->blocks[0]->content[0]->marks[0]->type);
        }
    }

    public function testAListIsCutBetweenItsItemsAndStaysAListOnBothSides(): void
    {
        $item = static fn(string $words): Node => new Node(
            'listItem',
            content: [Node::paragraph([Node::text($words)])],
        );
        $list = new Node('bulletList', content: [$item('one'), $item('two'), $item('three')]);
        // Two for the list and its item, two for the paragraph: the second item begins at 1 + 7.
        $split = Wire::done(self::withBody(Sketch::document('1 a'), 'a', Body::of([$list])), [
            'name' => 'split',
            'section' => 'a',
            'from' => 8,
        ])->document;

        self::assertSame(
            ['bulletList', 'bulletList'],
            array_map(static fn(Section $section): string => $section->body->blocks[0]->type, [...$split->sections()]),
        );
        self::assertSame(['one', "two\nthree"], self::texts($split));
    }

    public function testTheOpeningIsSplitIntoItselfAndAFirstHeading(): void
    {
        $split = Wire::done(Sketch::document('0 , 1 a'), [
            'name' => 'split',
            'section' => 'opening',
            'from' => 1,
            'to' => 5,
        ])->document;

        self::assertSame('0, 1 Text, 1 a', Sketch::of($split));
    }

    public function testAJoinedHeadingBecomesAParagraphOrGoesToTheOffcuts(): void
    {
        $document = Sketch::document('1 a, 1 b, 2 c');

        $asParagraph = Wire::done($document, ['name' => 'join', 'section' => 'b', 'heading' => 'paragraph'])->document;
        self::assertSame('1 a, 2 c', Sketch::of($asParagraph));
        self::assertSame("Text of a.\nb\nText of b.", self::texts($asParagraph)[0]);
        self::assertSame([], $asParagraph->changedOffcuts);

        $asOffcut = Wire::done($document, ['name' => 'join', 'section' => 'b', 'heading' => 'offcut'])->document;
        self::assertSame("Text of a.\nText of b.", self::texts($asOffcut)[0]);
        self::assertSame(
            ['b'],
            array_map(
                static fn(?\Stemmata\Core\Document\Offcut $offcut): ?string => $offcut?->name,
                array_values($asOffcut->changedOffcuts),
            ),
        );
    }

    public function testAimsAndTargetsAreJoinedToo(): void
    {
        $document = Sketch::document('1 a, 1 b');
        $document = Wire::done($document, [
            'name' => 'describe-section',
            'sections' => ['a'],
            'aim' => 'Show the gap.',
            'target' => 300,
        ])->document;
        $document = Wire::done($document, [
            'name' => 'describe-section',
            'sections' => ['b'],
            'aim' => 'Explain it.',
            'target' => 200,
        ])->document;
        $joined = Wire::done($document, [
            'name' => 'join',
            'section' => 'b',
            'heading' => 'paragraph',
        ])->document->sectionAt(0);

        self::assertSame(['Show the gap. Explain it.', 500], [$joined->aim, $joined->target]);
    }

    public function testThereMustBeASectionAbove(): void
    {
        self::assertSame(
            'There is no section above to join with.',
            Wire::refused(Sketch::document('1 a'), ['name' => 'join', 'section' => 'a', 'heading' => 'offcut'])
                ->sentence,
        );
        self::assertSame(
            'There is no section above to join with.',
            Wire::refused(Sketch::document('0 , 1 a'), [
                'name' => 'join',
                'section' => 'opening',
                'heading' => 'paragraph',
            ])->sentence,
        );
    }

    public function testALinkToAFirstHeadingMadeTheOpeningStillArrives(): void
    {
        $document = self::withBody(
            Sketch::document('1 a, 1 b'),
            'b',
            Body::of([Node::paragraph([Node::text('see', [Mark::link('section:' . Sketch::id('a')->value)])])]),
        );
        $opening = Wire::done($document, ['name' => 'join', 'section' => 'a', 'heading' => 'paragraph'])->document;

        self::assertSame('0, 1 b', Sketch::of($opening));
        self::assertSame([Sketch::id('a')->value], array_keys(References::in($opening->sectionAt(0))->bookmarks));
    }

    public function testSplittingAndJoiningAgainGivesTheSameWords(): void
    {
        $document = self::withBody(Sketch::document('1 a'), 'a', Sketch::body('One two.', 'Three four.'));
        $before = self::texts($document)[0];
        foreach ([0, 10, 23] as $at) {
            $split = Wire::done($document, ['name' => 'split', 'section' => 'a', 'from' => $at])->document;
            $new = $split->outline->idAt(1)->value;
            $joined = Wire::done($split, ['name' => 'join', 'section' => $new, 'heading' => 'paragraph'])->document;
            self::assertSame($before, self::texts($joined)[0], "cut at $at");
        }
    }

    private static function withBody(Document $document, string $section, Body $body): Document
    {
        return $document->withSection($document->section(Sketch::id($section))->withBody($body));
    }

    /** @return list<string> */
    private static function texts(Document $document): array
    {
        return array_map(static fn(Section $section): string => $section->body->plainText(), [
            ...$document->sections(),
        ]);
    }
}
