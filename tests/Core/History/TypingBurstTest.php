<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\History;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\History\TypingBurst;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;

final class TypingBurstTest extends TestCase
{
    #[TestWith([0, 0, 3, true, 'right after'])]
    #[TestWith([0, 4, 7, true, 'within the pause'])]
    #[TestWith([0, 4, 8, false, 'after a pause'])]
    #[TestWith([0, 14, 16, false, 'too long in all'])]
    #[TestWith([1000, 1000, 10, false, 'the clock was set back'])]
    #[TestWith([1000, 10, 11, false, 'and had been before'])]
    public function testTheClock(int $startedAt, int $madeAt, int $now, bool $isOne, string $when): void
    {
        self::assertSame($isOne, TypingBurst::isOfOneMoment($startedAt, $madeAt, $now), $when);
    }

    /**
     * @param list<string> $before paragraphs
     * @param list<string> $between
     * @param list<string> $after
     */
    #[TestWith([['a'], ['ab'], ['abc'], true, 'writing on'])]
    #[TestWith([['abc'], ['ab'], ['a'], true, 'rubbing out'])]
    #[TestWith([['a'], ['abc'], ['ab'], false, 'written, then rubbed out'])]
    #[TestWith([['abc'], ['ab'], ['abd'], false, 'rubbed out, then written'])]
    #[TestWith([['a', 'b'], ['ax', 'b'], ['ax', 'by'], false, 'another paragraph'])]
    #[TestWith([['a', 'b'], ['a', 'bx'], ['a', 'bxy'], true, 'the same paragraph'])]
    #[TestWith([['a'], ['a', 'b'], ['a', 'bc'], true, 'a new paragraph, and on in it'])]
    #[TestWith([['a'], ['ab'], ['ab', 'c'], false, 'a new paragraph after the one written in'])]
    #[TestWith([['a', 'b'], ['a'], ['ab'], false, 'a paragraph taken away'])]
    #[TestWith([['a', 'b', 'c'], ['ax', 'b', 'cy'], ['axz', 'b', 'cy'], false, 'several places at once'])]
    #[TestWith([['a'], ['a b. '], ['a b. C'], false, 'the next sentence'])]
    #[TestWith([['a'], ['a “b.” '], ['a “b.” C'], false, 'the next sentence after a quotation'])]
    #[TestWith([['a. '], ['a. B'], ['a. Bc'], true, 'on in a sentence that follows another'])]
    #[TestWith([['a b. d'], ['a bc. d'], ['a bce. d'], true, 'within a sentence'])]
    #[TestWith([['a b. '], ['a b.'], ['a b'], true, 'rubbing out the end of a sentence'])]
    #[TestWith([[], ['a'], ['ab'], true, 'into an empty text'])]
    #[TestWith([['ab'], ['ax'], ['axy'], true, 'one letter for another, and on'])]
    #[TestWith([['abc'], ['ax'], ['a'], true, 'fewer letters for others, and rubbed out'])]
    public function testWhatWasDone(array $before, array $between, array $after, bool $isOne, string $what): void
    {
        self::assertSame(
            $isOne,
            TypingBurst::isOneDoing(self::change($before, $between), self::change($between, $after)),
            $what,
        );
    }

    #[TestWith(['', 'C', 'Ch', true, 'writing on'])]
    #[TestWith(['Chap', 'Cha', 'Ch', true, 'rubbing out'])]
    #[TestWith(['Cha', 'Ch', 'Chi', false, 'rubbed out, then written'])]
    #[TestWith(['Cha', 'Chi', 'Chim', true, 'one letter for another, and on'])]
    public function testAHeadingIsWrittenAsAParagraphIs(
        string $before,
        string $between,
        string $after,
        bool $isOne,
        string $what,
    ): void {
        $section = Section::blank(SectionId::fromString('aaaaaaaaaaaa'));
        [$first, $second, $third] = array_map(
            static fn(string $words): Section => $section->withHeading(Heading::plain($words)),
            [$before, $between, $after],
        );

        self::assertSame(
            $isOne,
            TypingBurst::isOneDoing(
                new Change([], ['aaaaaaaaaaaa' => [$first, $second]], [], null),
                new Change([], ['aaaaaaaaaaaa' => [$second, $third]], [], null),
            ),
            $what,
        );
    }

    public function testAHeadingTypedAlongIsAnotherDoing(): void
    {
        [$first, $second] = [self::change(['a'], ['ab']), self::change(['ab'], ['abc'])];
        [$before, $after] = array_values($second->sections)[0];
        self::assertNotNull($after);
        $renamed = new Change([], ['aaaaaaaaaaaa' => [$before, $after->withHeading(Heading::plain('New'))]], [], null);

        self::assertFalse(TypingBurst::isOneDoing($first, $renamed));
    }

    /**
     * @param list<string> $before
     * @param list<string> $after
     */
    private static function change(array $before, array $after): Change
    {
        $section = static fn(array $paragraphs): Section => new Section(
            SectionId::fromString('aaaaaaaaaaaa'),
            Heading::plain('Heading'),
            Body::of(
                array_map(
                    static fn(mixed $words): Node => Node::paragraph([Node::text(is_string($words) ? $words : '')]),
                    array_values($paragraphs),
                ),
            ),
        );

        return new Change([], ['aaaaaaaaaaaa' => [$section($before), $section($after)]], [], null);
    }

    public function testAFootnoteIsBegunAndWrittenInOneStep(): void
    {
        $section = Section::blank(SectionId::fromString('aaaaaaaaaaaa'));
        $of = static fn(Node ...$note): Section => $section->withBody(
            Body::of([Node::paragraph([Node::text('a'), ...array_values($note)])]),
        );
        $begun = new Node('footnote');
        $written = $begun->withContent([Node::text('As told')]);

        self::assertTrue(
            TypingBurst::isOneDoing(
                new Change([], ['aaaaaaaaaaaa' => [$of(), $of($begun)]], [], null),
                new Change([], ['aaaaaaaaaaaa' => [$of($begun), $of($written)]], [], null),
            ),
        );
    }

    public function testACommandOfATableIsADoingOfItsOwn(): void
    {
        $section = Section::blank(SectionId::fromString('aaaaaaaaaaaa'));
        $of = static fn(string $html): Section => $section->withBody(
            Services::formats()
                ->read('a.html', '<h1>a</h1>' . $html)
                ->document->sectionAt(0)->body,
        );
        $steps = [
            '<table><tr><th>a</th></tr><tr><td>b</td></tr></table>',
            '<table><tr><th>a</th></tr><tr><td>bc</td></tr></table>',
            '<table><tr><th>a</th></tr><tr><td>bcd</td></tr></table>',
            '<table style="page: landscape"><tr><th>a</th></tr><tr><td>bcd</td></tr></table>',
            '<table style="page: landscape"><tr><th>a</th></tr><tr><td>bcde</td></tr></table>',
            '<table style="page: landscape"><tr><th>a</th></tr><tr><td>bcde</td></tr><tr><td></td></tr></table>',
        ];
        $changes = [];
        foreach (array_slice($steps, 1) as $index => $html) {
            $changes[] = new Change([], ['aaaaaaaaaaaa' => [$of($steps[$index]), $of($html)]], [], null);
        }

        self::assertTrue(TypingBurst::isOneDoing($changes[0], $changes[1]), 'writing on in a cell');
        self::assertFalse(TypingBurst::isOneDoing($changes[1], $changes[2]), 'a landscape page after writing');
        self::assertFalse(TypingBurst::isOneDoing($changes[2], $changes[3]), 'writing after a landscape page');
        self::assertFalse(TypingBurst::isOneDoing($changes[3], $changes[4]), 'a row after writing');
    }

    public function testWhatDoesMoreThanWriteIsNoTyping(): void
    {
        $typing = self::change(['a'], ['ab']);
        $offcut = ['bbbbbbbbbbbb' => [null, null]];

        self::assertTrue(TypingBurst::isOneDoing($typing, self::change(['ab'], ['abc'])));
        foreach (
            [
                'moves' => new Change(
                    OutlineEdit::between(Sketch::document('1 a')->outline, Sketch::document('2 a')->outline),
                    $typing->sections,
                    [],
                    null,
                ),
                'sets aside' => new Change([], $typing->sections, $offcut, null),
                'describes' => new Change([], $typing->sections, [], [new TitleBlock(), new TitleBlock('a')]),
                'numbers' => new Change([], $typing->sections, [], null, [Setup::plain(), Setup::plain()]),
                'writes in two' => new Change([], [...$typing->sections, 'cccccccccccc' => [null, null]], [], null),
            ]
            as $what => $change
        ) {
            self::assertFalse(TypingBurst::isOneDoing($typing, $change), $what);
            self::assertFalse(TypingBurst::isOneDoing($change, $typing), $what);
        }
    }
}
