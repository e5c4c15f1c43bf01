<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Epub;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** E-books after EPUB 3.3: pages in the order of the spine, links from page to page, headings from the navigation. */
final class EpubReaderTest extends TestCase
{
    public function testPagesFollowTheSpineAndLinksLeadFromPageToPage(): void
    {
        $book = Packed::epub([
            'b.xhtml' =>
                '<h1>First</h1><p>See <a href="a.xhtml#note">the note</a>, <a href="a.xhtml">the page</a>.</p>',
            'a.xhtml' => '<h1>Second</h1><p id="note">Here.</p><h2>Inside</h2>',
        ]);
        $markdown = Services::asMarkdown('x.epub', $book);
        self::assertMatchesRegularExpression(
            '/^# First\n\nSee \[the note\]\(<#[^>]+>\), \[the page\]\(<#sec-second>\)\.\n\n# Second <a id="sec-second"><\/a>\n/',
            $markdown,
        );
        self::assertStringEndsWith('## Inside', $markdown);
    }

    public function testTheTitleIsTakenFromThePackage(): void
    {
        self::assertSame(
            'Logs & lamps',
            Services::formats()->read('x.epub', Packed::epub(['a.xhtml' => '<h1>One</h1>'], 'Logs & lamps'))->document
                ->titleBlock->title,
        );
    }

    public function testAPageWithoutAHeadingIsCalledWhatTheNavigationCallsIt(): void
    {
        $book = Packed::epub(
            ['a.xhtml' => '<p>text of one</p>', 'b.xhtml' => '<p>text of two</p>'],
            toc: '<li><a href="a.xhtml">One</a></li><li><a href="b.xhtml">Two</a></li>',
        );
        self::assertSame("# One\n\ntext of one\n\n# Two\n\ntext of two", Services::asMarkdown('x.epub', $book));
    }

    public function testChaptersThatBeginAtTheLevelOfTheirPartStandUnderIt(): void
    {
        $book = Packed::epub(
            ['p.xhtml' => '<h1>Part</h1>', 'a.xhtml' => '<h1>Chapter</h1><p>text</p><h2>Scene</h2>'],
            toc: '<li><a href="p.xhtml">Part</a><ol><li><a href="a.xhtml">Chapter</a></li></ol></li>',
        );
        self::assertSame("# Part\n\n## Chapter\n\ntext\n\n### Scene", Services::asMarkdown('x.epub', $book));
    }

    public function testACoverIsLeftOutAndAPageWithAPictureIsNot(): void
    {
        $page = static fn(
            string $title,
        ): string => "<html xmlns=\"http://www.w3.org/1999/xhtml\"><head><title>$title</title></head><body><hr/></body></html>";
        $read = static fn(string $title): string => Services::asMarkdown(
            'x.epub',
            Packed::epub(['c.xhtml' => $page($title), 'a.xhtml' => '<h1>One</h1><p>text</p>']),
        );

        self::assertSame("# One\n\ntext", $read('Front cover'));
        self::assertStringStartsNotWith('# One', $read('The discovery'));
    }

    public function testScriptsAndStylesOfAPageAreNoText(): void
    {
        $book = Packed::epub([
            'a.xhtml' => '<h1>One</h1><script>alert(1)</script><style>p{}</style><p onclick="x()">text</p>',
        ]);
        self::assertSame("# One\n\ntext", Services::asMarkdown('x.epub', $book));
    }

    public function testANoteOnAPageOfItsOwnIsAFootnoteOfTheText(): void
    {
        $book = Packed::epub([
            'a.xhtml' => '<h1>One</h1><p>text<a epub:type="noteref" href="notes.xhtml#n1">1</a></p>',
            'notes.xhtml' => '<aside epub:type="footnote" id="n1"><p>At the end of the book.</p></aside>',
        ]);
        self::assertStringStartsWith("# One\n\ntext[^1]", Services::asMarkdown('x.epub', $book));
        self::assertStringContainsString('[^1]: At the end of the book.', Services::asMarkdown('x.epub', $book));
    }

    public function testPicturesOfTheBookComeAlongAndOfOthersTheAddress(): void
    {
        $page =
            '<h1>One</h1><p>a <img src="lamp.png" alt="A lamp"/> b <img src="https://example.org/far.png" alt="far"/> c <img src="gone.png" alt="gone"/></p>';
        $book = Packed::epub(['a.xhtml' => $page], parts: ['book/lamp.png' => Packed::PNG]);

        self::assertSame(
            "# One\n\n" .
                'a <img src="data:image/png;base64,iVBORw0KGgo=" alt="A lamp"> b <img src="https://example.org/far.png" alt="far"> c <img src="" alt="gone">',
            Services::asMarkdown('x.epub', $book),
        );
    }

    public function testALinkOutOfTheBookStaysAsItIs(): void
    {
        self::assertSame(
            "# One\n\n[there](<https://example.org/>)",
            Services::asMarkdown(
                'x.epub',
                Packed::epub(['a.xhtml' => '<h1>One</h1><p><a href="https://example.org/">there</a></p>']),
            ),
        );
    }

    public function testABookWithoutAPackageIsRefusedInASentence(): void
    {
        $this->expectExceptionMessageMatches('/^[A-Z“].*\.$/us');
        Services::formats()->read(
            'x.epub',
            Packed::zip(['mimetype' => 'application/epub+zip', 'META-INF/container.xml' => '<container/>']),
        );
    }
}
