<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Epub;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** E-books after EPUB 3.3: pages in the order of the spine, links from page to page, headings from the navigation. */
final class EpubReaderTest extends TestCase
{
    public function testPagesFollowTheSpineAndLinksLeadFromPageToPage(): void
    {
        $book = Packed::epub([
            'b.xhtml' => '<h1>First</h1><p>See <a href="a.xhtml#note">the note</a>, <a href="a.xhtml">the page</a>.</p>',
            'a.xhtml' => '<h1>Second</h1><p id="note">Here.</p><h2>Inside</h2>',
        ]);
        $markdown = Services::asMarkdown('x.epub', $book);
        self::assertMatchesRegularExpression('/^# First\n\nSee \[the note\]\(<#[^>]+>\), \[the page\]\(<#sec-second>\)\.\n\n# Second <a id="sec-second"><\/a>\n/', $markdown);
        self::assertStringEndsWith('## Inside', $markdown);
    }

    public function testTheTitleIsTakenFromThePackage(): void
    {
        self::assertSame('Logs & lamps', Services::formats()->read('x.epub', Packed::epub(['a.xhtml' => '<h1>One</h1>'], 'Logs & lamps'))->document->titleBlock->title);
    }

    public function testAPageWithoutAHeadingIsCalledWhatTheNavigationCallsIt(): void
    {
        $book = Packed::epub(
            ['a.xhtml' => '<p>text of one</p>', 'b.xhtml' => '<p>text of two</p>'],
            toc: '<li><a href="a.xhtml">One</a></li><li><a href="b.xhtml">Two</a></li>',
        );
        self::assertSame("# One\n\ntext of one\n\n# Two\n\ntext of two", Services::asMarkdown('x.epub', $book));
    }

    public function testScriptsAndStylesOfAPageAreNoText(): void
    {
        $book = Packed::epub(['a.xhtml' => '<h1>One</h1><script>alert(1)</script><style>p{}</style><p onclick="x()">text</p>']);
        self::assertSame("# One\n\ntext", Services::asMarkdown('x.epub', $book));
    }

    public function testABookWithoutAPackageIsRefusedInASentence(): void
    {
        $this->expectExceptionMessageMatches('/^[A-Z“].*\.$/us');
        Services::formats()->read('x.epub', Packed::zip(['mimetype' => 'application/epub+zip', 'META-INF/container.xml' => '<container/>']));
    }
}
