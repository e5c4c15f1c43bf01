<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Merge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Merge\Merged;
use Stemmata\Core\Merge\Preference;
use Stemmata\Core\Merge\TextMerge;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Dose;

final class TextMergeTest extends TestCase
{
    /**
     * @param string|null $merged null where the writer has to be asked
     */
    #[DataProvider('changesOfOneText')]
    public function testTwoChangesOfOneText(string $base, string $mine, string $theirs, ?string $merged): void
    {
        $outcome = self::merged(self::lines($base), self::lines($mine), self::lines($theirs));

        self::assertSame($merged, [] === $outcome->disputes ? self::text($outcome->body) : null);
    }

    /** @return iterable<string, array{string, string, string, string|null}> a paragraph a line */
    public static function changesOfOneText(): iterable
    {
        yield 'different paragraphs' => ['one|two', 'one more|two', 'one|two too', 'one more|two too'];
        yield 'different words of one paragraph' => [
            'the lamp was lit at dusk',
            'the lamp was lit at dawn',
            'the old lamp was lit at dusk',
            'the old lamp was lit at dawn',
        ];
        yield 'the same word, otherwise' => ['the lamp', 'the lens', 'the glass', null];
        yield 'the same word, alike' => ['the lamp', 'the lens', 'the lens', 'the lens'];
        yield 'paragraphs added at one place' => ['one', 'one|mine', 'one|theirs', 'one|theirs|mine'];
        yield 'words added at one place' => ['one', 'one mine', 'one theirs', null];
        yield 'a paragraph taken out and written in' => ['one|two', 'one', 'one|two words', null];
        yield 'a paragraph taken out beside one written in' => ['one|two', 'two', 'one|two words', 'two words'];
        yield 'a paragraph taken apart and written in' => [
            'the lamp was lit. the glass fell',
            'the lamp was lit.|the glass fell',
            'the lamp was lit. the glass fell fast',
            'the lamp was lit.|the glass fell fast',
        ];
        yield 'paragraphs joined and written in' => ['one|two', 'one two', 'first|two', 'first two'];
        yield 'both began in an empty text' => ['', 'mine', 'theirs', 'theirs|mine'];
        yield 'both began in an empty paragraph between others' => [
            'a||b',
            'a|mine|b',
            'a|theirs|b',
            'a|theirs|mine|b',
        ];
        yield 'a paragraph moved by one, another changed by the other' => ['a|b|c', 'b|c|a', 'a|b|c d', 'b|c d|a'];
        yield 'signs of a script without blanks' => ['灯台の光', '灯台の火', '白灯台の光', '白灯台の火'];
    }

    #[DataProvider('preferences')]
    public function testWhereBothChangedTheSameWordsThePreferredStand(Preference $preference, string $wanted): void
    {
        $outcome = self::merged(
            self::lines('the lamp was lit|two'),
            self::lines('the lens was lit|two more'),
            self::lines('the glass was lit|two'),
            $preference,
        );

        self::assertSame($wanted, self::text($outcome->body));
        self::assertCount(1, $outcome->disputes);
    }

    /** @return iterable<array{Preference, string}> */
    public static function preferences(): iterable
    {
        yield [Preference::Mine, 'the lens was lit|two more'];
        yield [Preference::Theirs, 'the glass was lit|two more'];
        yield [Preference::Both, 'the glass was lit|the lens was lit|two more'];
    }

    public function testRowsAndColumnsPutInByTwoAreAskedAbout(): void
    {
        $table = static fn(string ...$rows): array => [
            new Node(
                'table',
                content: [
                    new Node('caption'),
                    ...array_map(
                        static fn(string $row): Node => new Node(
                            'tableRow',
                            content: array_map(
                                static fn(string $cell): Node => new Node(
                                    'tableCell',
                                    ['header' => false, 'align' => null],
                                    [Node::text($cell)],
                                ),
                                explode(' ', $row),
                            ),
                        ),
                        array_values($rows),
                    ),
                ],
            ),
        ];
        $base = $table('a b', 'c d');

        $cells = self::merged($base, $table('a1 b', 'c d'), $table('a b', 'c d2'));
        self::assertEquals($table('a1 b', 'c d2'), $cells->body->blocks);
        $column = self::merged($base, $table('a x b', 'c y d'), $table('a b', 'c d2'));
        self::assertEquals($table('a x b', 'c y d2'), $column->body->blocks);
        $both = self::merged($base, $table('a x b', 'c y d'), $table('a b', 'c d', 'e f'));
        self::assertCount(1, $both->disputes);
        $kept = self::merged($base, $table('a x b', 'c y d'), $table('a b', 'c d', 'e f'), Preference::Both);
        self::assertCount(2, $kept->body->blocks);
    }

    public function testTheNumberOfAListAndTheWordsOfAnItemAreDifferentChanges(): void
    {
        $list = static fn(int $start, string ...$items): array => [
            new Node(
                'orderedList',
                ['start' => $start],
                array_map(
                    static fn(string $item): Node => new Node(
                        'listItem',
                        content: [Node::paragraph([Node::text($item)])],
                    ),
                    array_values($items),
                ),
            ),
        ];

        $outcome = self::merged($list(1, 'one', 'two'), $list(4, 'one', 'two', 'three'), $list(1, 'one a', 'two'));

        self::assertSame([], $outcome->disputes);
        self::assertEquals($list(4, 'one a', 'two', 'three'), $outcome->body->blocks);
    }

    public function testAHeadingIsPutTogetherAsWordsAre(): void
    {
        $heading = static fn(string $words): array => [Heading::plain($words), Body::empty()];

        $outcome = TextMerge::of(
            $heading('The lamp of Ardrell'),
            $heading('The old lamp of Ardrell'),
            $heading('The lamp of Ardrell, 1861'),
            Preference::Ask,
        );

        self::assertSame('The old lamp of Ardrell, 1861', $outcome->heading->plainText());
    }

    /**
     * Words are unique, so that each can be followed: what either side put in is there once, what either took out is not,
     * and all else stands as it stood. Marks, places and notes go with their words.
     */
    public function testNoWordIsLostOrDoubledAndNobodyIsFirst(): void
    {
        $random = new Randomizer(new Mt19937(23));
        $asked = 0;
        $pairs = Dose::of(20_000, 1_500);
        for ($pair = 0; $pair < $pairs; ++$pair) {
            $writer = new RandomWriter($random);
            $base = $writer->text();
            [$mine, $theirs] = [$writer->changed($base), $writer->changed($base)];
            $there = self::merged($base, $mine, $theirs);
            $back = self::merged($base, $theirs, $mine);
            $message = json_encode(['pair' => $pair, ...array_map(self::json(...), [$base, $mine, $theirs])]);
            self::assertSame([] === $there->disputes, [] === $back->disputes, (string) $message);
            self::assertEquals($there->body, Body::fromJson($there->body->toJson()), (string) $message);
            [$were, $one, $other] = array_map(RandomWriter::parts(...), [$base, $mine, $theirs]);
            if ([] !== $there->disputes) {
                ++$asked;
                $both = RandomWriter::parts(self::merged($base, $mine, $theirs, Preference::Both)->body->blocks);
                self::assertSame([], array_diff([...$one, ...$other], [...$both, ...$were]), (string) $message);
                continue;
            }
            $wanted = [
                ...array_intersect($were, $one, $other),
                ...array_diff($one, $were),
                ...array_diff($other, $were),
            ];
            $got = RandomWriter::parts($there->body->blocks);
            sort($wanted);
            $sorted = $got;
            sort($sorted);
            self::assertSame($wanted, $sorted, (string) $message);
            self::assertSame(
                array_values(array_intersect($got, $were)),
                array_values(array_intersect(RandomWriter::parts($back->body->blocks), $were)),
                (string) $message,
            );
            if (!RandomWriter::addAtOnePlace($there, $back)) {
                self::assertEquals($there->body, $back->body, (string) $message);
            }
        }

        // A merge that asks about everything would lose nothing either.
        self::assertLessThan($pairs * 0.4, $asked);
        self::assertGreaterThan($pairs * 0.05, $asked);
    }

    public function testWhatOneSideDidNotTouchIsTheOthersToTheLetter(): void
    {
        $random = new Randomizer(new Mt19937(24));
        for ($pair = 0; $pair < 500; ++$pair) {
            $writer = new RandomWriter($random);
            $base = $writer->text();
            $changed = $writer->changed($base);
            self::assertEquals($changed, self::merged($base, $changed, $base)->body->blocks);
            self::assertEquals($changed, self::merged($base, $base, $changed)->body->blocks);
            self::assertEquals($changed, self::merged($base, $changed, $changed)->body->blocks);
        }
    }

    /**
     * @param list<Node> $base
     * @param list<Node> $mine
     * @param list<Node> $theirs
     */
    private static function merged(
        array $base,
        array $mine,
        array $theirs,
        Preference $preference = Preference::Ask,
    ): Merged {
        [$was, $one, $other] = [
            [Heading::none(), Body::of($base)],
            [Heading::none(), Body::of($mine)],
            [Heading::none(), Body::of($theirs)],
        ];

        return TextMerge::of($was, $one, $other, $preference);
    }

    /** @return list<Node> */
    private static function lines(string $text): array
    {
        return '' === $text
            ? []
            : array_map(
                static fn(string $line): Node => Node::paragraph('' === $line ? [] : [Node::text($line)]),
                explode('|', $text),
            );
    }

    private static function text(Body $body): string
    {
        return implode('|', array_map(static fn(Node $block): string => $block->plainText(), $body->blocks));
    }

    /** @param list<Node> $blocks */
    private static function json(array $blocks): string
    {
        return (string) json_encode(Body::of($blocks)->toJson());
    }
}
