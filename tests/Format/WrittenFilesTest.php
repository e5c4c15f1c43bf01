<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\ReadForm;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;

/**
 * What a written file may and may not do: it leads nowhere in vain, fetches nothing, and a branch keeps its numbers.
 */
final class WrittenFilesTest extends TestCase
{
    #[TestWith(['md'])]
    #[TestWith(['html'])]
    public function testWhatLeadsNowhereIsItsWords(string $ending): void
    {
        $gone = LinkTarget::toSection('zzzzzzzzzzzz');
        $document = $this->withBody(
            Sketch::document('1 One'),
            'One',
            Node::paragraph([
                Node::text('see '),
                Node::text('the tables', [Mark::link($gone, null)]),
                Node::text(' and '),
                new Node('crossReference', ['href' => $gone, 'shows' => CrossReferenceShows::Number->value]),
                Node::text(' and '),
                Node::text('the place', [Mark::link('#nowhere', null)]),
            ]),
        );
        $written = Services::formats()->written($ending, $document);

        self::assertStringContainsString('see the tables and a place that is gone and the place', $written);
        self::assertStringNotContainsString('zzzz', $written);
        self::assertStringNotContainsString('nowhere', $written);
    }

    public function testWhatIsNotWrittenIsSaid(): void
    {
        $this->expectExceptionMessageMatches('/\AStemmata does not write “exe”; it writes .*\.docx/u');
        Services::formats()->writerFor('exe');
    }

    public function testAWebPageFetchesNothingAndSaysSo(): void
    {
        $picture = new Node(
            'figure',
            ['src' => 'https://example.org/lamp.png', 'alt' => 'A lamp'],
            [Node::text('The lamp')],
        );
        $document = $this->withBody(
            Sketch::document('1 One'),
            'One',
            $picture,
            Node::paragraph([Node::text('x'), new Node('image', ['src' => 'http://example.org/b.gif', 'alt' => ''])]),
        );
        $written = Services::formats()->written('html', $document);

        self::assertStringContainsString(
            '<figure><a class="outside-picture" href="https://example.org/lamp.png">A lamp</a><figcaption><span class="caption-number">Figure 1. </span>The lamp</figcaption></figure>',
            $written,
        );
        self::assertDoesNotMatchRegularExpression(
            '~(?:src|srcset|poster|data|background)="?https?:|url\(|@import|<link|<script|<iframe~',
            $written,
        );
        self::assertStringContainsString(
            '<meta http-equiv="Content-Security-Policy" content="default-src \'none\'; img-src data:; style-src \'unsafe-inline\'; base-uri \'none\'; form-action \'none\'">',
            $written,
        );
        $again = Services::formats()->readAsIs('x.html', $written)->document;
        self::assertSame(
            'https://example.org/lamp.png',
            $again->sectionAt(0)->body->blocks[0]->attribute('src'),
            'read again, it is a picture again',
        );
    }

    public function testABranchKeepsItsNumbersAndSpeaksOfTheRestAsTheWholeDoes(): void
    {
        $document = Sketch::document('1 Logs, 1 Keepers, 2 Pay, 2 Names, 3 Women, 1 Lamps');
        $document = $this->withBody(
            $document,
            'Names',
            Node::paragraph([
                Node::text('see '),
                new Node('crossReference', [
                    'href' => LinkTarget::toSection(Sketch::id('Lamps')->value),
                    'shows' => CrossReferenceShows::Both->value,
                ]),
                Node::text(' and '),
                new Node('crossReference', [
                    'href' => LinkTarget::toSection(Sketch::id('Women')->value),
                    'shows' => CrossReferenceShows::Number->value,
                ]),
            ]),
        );
        $branch = Sketch::branch($document, Sketch::id('Names'));
        self::assertSame(['2.2', '2.2.1'], $branch->numbers());

        $html = Services::formats()->written('html', $branch);
        self::assertStringContainsString('<h2><span data-number>2.2</span> Names</h2>', $html);
        self::assertStringContainsString(
            'see 3 Lamps and <a class="cross-reference" data-shows="number" href="#sec-women">2.2.1</a>',
            $html,
        );
        $markdown = Services::formats()->written('md', $branch);
        self::assertStringContainsString("## 2.2 Names\n", $markdown);
        self::assertStringContainsString("### 2.2.1 Women <a id=\"sec-women\"></a>\n", $markdown);
    }

    public function testNotesWithinWhatOnlyHtmlCanSayAreKeptInMarkdown(): void
    {
        $note = new Node('footnote', content: [Node::text('of the cell')]);
        $cell = new Node('tableCell', ['header' => false, 'align' => null], [Node::text('a'), $note]);
        $table = new Node(
            'table',
            content: [new Node('caption', content: [Node::text('A table')]), new Node('tableRow', content: [$cell])],
        );
        $document = $this->withBody(Sketch::document('1 One'), 'One', $table);
        $again = Services::formats()->readAsIs('x.md', Services::formats()->written('md', $document))->document;

        self::assertSame(ReadForm::of($document), ReadForm::of($again));
    }

    public function testCodeWithBlanksAtItsEndsKeepsThemInMarkdown(): void
    {
        $code = [new Mark('code')];
        $document = $this->withBody(
            Sketch::document('1 One'),
            'One',
            Node::paragraph([Node::text('a'), Node::text(' b ', $code), Node::text('c '), Node::text('d', $code)]),
        );
        $written = Services::formats()->written('md', $document);

        self::assertStringContainsString('a<code> b </code>c `d`', $written);
        self::assertSame(
            ReadForm::of($document),
            ReadForm::of(Services::formats()->readAsIs('x.md', $written)->document),
        );
    }

    private function withBody(Document $document, string $heading, Node ...$blocks): Document
    {
        return $document->withSection(
            $document->section(Sketch::id($heading))->withBody(Body::of(array_values($blocks))),
        );
    }
}
