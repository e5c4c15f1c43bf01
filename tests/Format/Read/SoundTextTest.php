<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\SoundText;

/** What a reader has built and no document may hold: what becomes of it, and what is noted. */
final class SoundTextTest extends TestCase
{
    /** @var list<array{ImportNote, string}> */
    private array $noted = [];

    public function testWhatIsSoundPassesAsItIs(): void
    {
        $paragraph = Node::paragraph([Node::text('see', [Mark::link('https://example.org', 'a hint')])]);

        self::assertSame([$paragraph], $this->sound()->block($paragraph));
        self::assertSame($paragraph->content, $this->sound()->inline($paragraph->content));
        self::assertSame([], $this->noted);
    }

    public function testALinkThatCouldRunIsWords(): void
    {
        $words = Node::text('press', [new Mark('strong'), Mark::link('javascript:steal()')]);

        self::assertEquals(
            [Node::paragraph([Node::text('press', [new Mark('strong')])])],
            $this->sound()->block(Node::paragraph([$words])),
        );
        self::assertEquals([Node::text('press', [new Mark('strong')])], $this->sound()->inline([$words]));
        self::assertSame(array_fill(0, 2, [ImportNote::LinkUnsafe, 'javascript:steal()']), $this->noted);
    }

    public function testALinkWithALongHintStaysALink(): void
    {
        $hint = str_repeat('é', 3000);

        [$paragraph] = $this->sound()->block(
            Node::paragraph([Node::text('here', [Mark::link('https://example.org', $hint)])]),
        );

        $link = $paragraph->content[0]->findMark('link');
        self::assertSame('https://example.org', $link?->attribute('href'));
        self::assertSame(str_repeat('é', 2048), $link->attribute('title'));
        self::assertSame([], $this->noted);
    }

    public function testAPictureOfAnotherKindKeepsItsPlaceAndItsDescription(): void
    {
        $description = str_repeat('a', 5000);

        self::assertEquals(
            [new Node('figure', ['src' => '', 'alt' => substr($description, 0, 4096)])],
            $this->sound()->block(new Node('figure', ['src' => 'data:text/html,x', 'alt' => $description])),
        );
        self::assertEquals(
            [Node::paragraph([Node::text('a'), new Node('image', ['src' => 'x.png', 'alt' => ''])])],
            $this->sound()->block(
                Node::paragraph([Node::text('a'), new Node('image', ['src' => 'x.png', 'alt' => ''])]),
            ),
        );
        self::assertSame([[ImportNote::PictureOfOtherKind, 'data:text/html,x']], $this->noted);
    }

    public function testAReferenceToNowhereIsAQuestion(): void
    {
        $nowhere = new Node('crossReference', ['href' => 'script:x', 'shows' => 'both']);
        $somewhere = new Node('crossReference', ['href' => 'section:aaaaaaaaaaaa', 'shows' => 'both']);

        self::assertEquals(
            [Node::paragraph([Node::text('?'), $somewhere])],
            $this->sound()->block(Node::paragraph([$nowhere, $somewhere])),
        );
        self::assertSame([[ImportNote::LinkLeadsNowhere, 'script:x']], $this->noted);
    }

    public function testTheLanguageOfCodeIsCut(): void
    {
        $code = static fn(mixed $language): Node => new Node('codeBlock', ['language' => $language], [Node::text('x')]);

        self::assertEquals([$code(str_repeat('p', 4096))], $this->sound()->block($code(str_repeat('p', 4097))));
        self::assertEquals([$code('php')], $this->sound()->block($code('php')));
        self::assertEquals([$code(null)], $this->sound()->block($code('')->withContent([Node::text('x')])));
    }

    public function testTheTitleOfContentsIsCut(): void
    {
        $contents = static fn(string $title): Node => new Node('contents', [
            'title' => $title,
            'from' => 1,
            'to' => 3,
            'numbers' => true,
            'lines' => [],
        ]);

        self::assertEquals([$contents(str_repeat('t', 4096))], $this->sound()->block($contents(str_repeat('t', 4097))));
    }

    public function testBrokenBytesAreReplaced(): void
    {
        self::assertEquals(
            [Node::paragraph([Node::text('a?b', [new Mark('emphasis')])])],
            $this->sound()->block(Node::paragraph([Node::text("a\xFFb", [new Mark('emphasis')])])),
        );
        self::assertSame([], $this->noted);
    }

    public function testWhatMayNotStandAtAllIsKeptAsItsWords(): void
    {
        $odd = new Node('tableCell', [], [Node::text("one\n \ntwo \xFF")]);

        self::assertEquals(
            [Node::paragraph([Node::text('one')]), Node::paragraph([Node::text('two ?')])],
            $this->sound()->block($odd),
        );
        self::assertEquals([Node::text('x')], $this->sound()->inline([Node::paragraph([Node::text('x')])]));
        self::assertSame([], $this->sound()->inline([Node::paragraph([])]));
        self::assertSame([[ImportNote::KeptAsWords, "one\n \ntwo \xFF"]], $this->noted);
    }

    public function testFormulasOnALineOfTheirOwnPartParagraphsAndStandInTheLineElsewhere(): void
    {
        $formula = Node::formula('x', true);
        $inLine = Node::formula('x', false);
        $words = static fn(string $words): Node => Node::paragraph([Node::text($words)]);

        self::assertEquals(
            [$words('a'), $formula, $words('b')],
            $this->sound()->block(Node::paragraph([Node::text('a'), $formula, Node::text('b')])),
        );
        self::assertEquals(
            [new Node('bulletList', [], [new Node('listItem', [], [Node::paragraph([]), $formula, $words('b')])])],
            $this->sound()->block(
                new Node('bulletList', [], [new Node('listItem', [], [Node::paragraph([$formula, Node::text('b')])])]),
            ),
        );
        self::assertEquals(
            [new Node('figure', ['src' => '', 'alt' => ''], [Node::text('a'), $inLine])],
            $this->sound()->block(new Node('figure', ['src' => '', 'alt' => ''], [Node::text('a'), $formula])),
        );
        self::assertEquals([Node::text('a'), $inLine], $this->sound()->inline([Node::text('a'), $formula]));
    }

    public function testALineIsOneLine(): void
    {
        self::assertSame('A title of two lines', SoundText::line("  A title\n\t of two\u{A0} lines "));
        self::assertSame(str_repeat('é', 2047) . 'a', SoundText::line(str_repeat('é', 2047) . 'a x'));
        self::assertSame(4096, strlen(SoundText::line(str_repeat('a', 5000))));
    }

    private function sound(): SoundText
    {
        return new SoundText(function (ImportNote $note, string $detail): void {
            $this->noted[] = [$note, $detail];
        });
    }
}
