<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Rule\ContentsBlock;
use Stemmata\Core\Operation\Text\AddContentsLine;
use Stemmata\Core\Operation\Text\ChangeContentsLine;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** Contents in a file become contents that follow the headings, with what was done to their lines by hand. */
final class ContentsOfFilesTest extends TestCase
{
    private const HEADINGS = '<h1 id="a">The old lamps</h1><p>a</p><h2 id="b">Oil and wick</h2><p>b</p><h1 id="c">Gales</h1><p>c</p>';

    /** @return iterable<string, array{string, string}> */
    public static function others(): iterable
    {
        yield 'a list in a page' => [
            'x.html',
            '<nav id="TOC" role="doc-toc"><h2>In this book</h2><ul><li><a href="#a">1 Lamps</a><ul><li><a href="#b">1.1 Oil and wick</a></li></ul></li><li><a href="#c">2 Gales</a></li></ul></nav>' .
            strtr(self::HEADINGS, ['>The' => '>1 The', '>Oil' => '>1.1 Oil', '>Gales' => '>2 Gales']),
        ];
        $line = static fn(int $level, string $anchor, string $words, int $page): string => sprintf(
            '<w:p><w:pPr><w:pStyle w:val="TOC%d"/></w:pPr>%s<w:hyperlink w:anchor="%s"><w:r><w:t>%s</w:t></w:r><w:r><w:tab/></w:r><w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> PAGEREF %3$s \h </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r><w:r><w:t>%d</w:t></w:r><w:r><w:fldChar w:fldCharType="end"/></w:r></w:hyperlink>%s</w:p>',
            $level,
            'a' === $anchor
                ? '<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> TOC \o "1-2" \h \z \u </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>'
                : '',
            $anchor,
            $words,
            $page,
            'c' === $anchor ? '<w:r><w:fldChar w:fldCharType="end"/></w:r>' : '',
        );
        $head = static fn(int $level, string $anchor, string $words): string => sprintf(
            '<w:p><w:pPr><w:pStyle w:val="H%d"/></w:pPr><w:bookmarkStart w:id="%2$d" w:name="%3$s"/><w:r><w:t>%4$s</w:t></w:r><w:bookmarkEnd w:id="%2$d"/></w:p><w:p><w:r><w:t>%3$s</w:t></w:r></w:p>',
            $level,
            ord($anchor),
            $anchor,
            $words,
        );
        $title = '<w:p><w:pPr><w:pStyle w:val="TOCHeading"/></w:pPr><w:r><w:t>In this book</w:t></w:r></w:p>';
        $lines =
            $line(1, 'a', "1\u{2003}Lamps", 1) . $line(2, 'b', '1.1 Oil and wick', 12) . $line(1, 'c', '2 Gales', 140);
        $text = $head(1, 'a', '1 The old lamps') . $head(2, 'b', '1.1 Oil and wick') . $head(1, 'c', '2 Gales');
        $styles =
            '<w:style w:type="paragraph" w:styleId="H1"><w:name w:val="heading 1"/></w:style><w:style w:type="paragraph" w:styleId="H2"><w:name w:val="heading 2"/></w:style><w:style w:type="paragraph" w:styleId="TOC1"><w:name w:val="toc 1"/></w:style><w:style w:type="paragraph" w:styleId="TOC2"><w:name w:val="toc 2"/></w:style><w:style w:type="paragraph" w:styleId="TOCHeading"><w:name w:val="TOC Heading"/></w:style>';
        yield 'a content control' => [
            'x.docx',
            Packed::docx(
                '<w:sdt><w:sdtPr><w:docPartObj><w:docPartGallery w:val="Table of Contents"/></w:docPartObj></w:sdtPr><w:sdtContent>' .
                    $title .
                    $lines .
                    '</w:sdtContent></w:sdt>' .
                    $text,
                $styles,
            ),
        ];
        $odt = static fn(string $anchor, string $words, int $page): string => sprintf(
            '<text:p><text:a xlink:href="#%s">%s<text:tab/>%d</text:a></text:p>',
            $anchor,
            $words,
            $page,
        );
        $outline = static fn(int $level, string $anchor, string $words): string => sprintf(
            '<text:h text:outline-level="%d"><text:bookmark text:name="%s"/>%s</text:h><text:p>%2$s</text:p>',
            $level,
            $anchor,
            $words,
        );
        yield 'an index' => [
            'x.odt',
            Packed::odt(
                '<text:table-of-content><text:table-of-content-source text:outline-level="2"/><text:index-body><text:index-title><text:p>In this book</text:p></text:index-title>' .
                    $odt('a', '1 Lamps', 1) .
                    $odt('b', '1.1 Oil and wick', 12) .
                    $odt('c', '2 Gales', 140) .
                    '</text:index-body></text:table-of-content>' .
                    $outline(1, 'a', '1 The old lamps') .
                    $outline(2, 'b', '1.1 Oil and wick') .
                    $outline(1, 'c', '2 Gales'),
            ),
        ];
    }

    #[DataProvider('others')]
    public function testThoseOfOtherProgramsAreKeptWithAShortenedLine(string $name, string $bytes): void
    {
        $read = Services::formats()->read($name, $bytes);
        [$contents] = self::contentsIn($read->document);
        $settings = ContentsSettings::in($contents);
        self::assertSame(
            ['In this book', 1, 2, true],
            [$settings->title, $settings->from, $settings->to, $settings->numbers],
        );
        self::assertSame(
            [['1', 'The old lamps', 'Lamps'], ['1.1', 'Oil and wick', null], ['2', 'Gales', null]],
            self::lines($contents),
        );
        self::assertContains(
            'One line of contents says something else than its heading; it stays as worded by hand. (Lamps → The old lamps)',
            $read->report->warnings(),
        );
        self::assertTrue(ContentsLines::isCurrent($read->document, $contents));
    }

    public function testATitleAndALineLongerThanAnyMayBeAreCut(): void
    {
        $contents = static fn(string $title, string $line): string => '<nav id="TOC" role="doc-toc"><h2>' .
            $title .
            '</h2><ul><li><a href="#a">The old lamps</a></li><li><a href="#b">' .
            $line .
            '</a></li><li><a href="#c">Gales</a></li></ul></nav>';
        $read = Services::formats()->read(
            'x.html',
            $contents(str_repeat('t', 5000), 'Oil and wick, ' . str_repeat('w', 9000)) . self::HEADINGS,
        )->document;
        $found = self::contentsIn($read)[0] ?? self::fail('No contents.');

        self::assertSame(str_repeat('t', 4096), $found->textAttribute('title'));
        self::assertSame(
            ['The old lamps', 'Oil and wick, ' . str_repeat('w', 8192 - 14), 'Gales'],
            array_map(
                static fn(array $line): string => $line['words'] ?? $line['heading'],
                ContentsLines::kept($found),
            ),
        );
    }

    public function testLinesOfAnOlderStateAreNotTakenForHandWork(): void
    {
        [$contents] = self::contentsIn(
            Services::formats()->read(
                'x.html',
                '<nav role="doc-toc"><ul><li><a href="#a">Lanterns</a></li><li><a href="#b">Fuel</a></li><li><a href="#c">Gales</a></li></ul></nav>' .
                    self::HEADINGS,
            )->document,
        );
        self::assertSame([null, null, null], array_column(self::lines($contents), 2));
    }

    public function testAHeadingThatStandsForContentsAloneIsNoneOfThem(): void
    {
        $document = Services::formats()->read(
            'x.html',
            '<h1>Contents</h1><ul><li><a href="#a">The old lamps</a><li><a href="#b">Oil and wick</a><li><a href="#c">Gales</a></ul>' .
                self::HEADINGS,
        )->document;
        [$contents] = self::contentsIn($document);
        self::assertSame(['The old lamps', 'Oil and wick', 'Gales'], array_column(self::lines($contents), 1));
        self::assertSame('Contents', $document->headings()[0]);
        self::assertFalse($document->outline->isInContentsAt(0));
    }

    public function testAHeadingGoesWithContentsThatLeadNowhere(): void
    {
        $document = Services::formats()->read(
            'x.html',
            '<h1>Contents</h1><nav role="doc-toc"><a href="#x">X</a> <a href="#y">Y</a></nav>' . self::HEADINGS,
        )->document;
        self::assertSame(['The old lamps', 'Oil and wick', 'Gales'], $document->headings());
        self::assertSame([], self::contentsIn($document));
    }

    /** A list at the side of a page that leads elsewhere, and a second one, are left out as before. */
    #[TestWith(['<nav role="doc-toc"><a href="other.html">Other</a> <a href="#a">The old lamps</a></nav>', 0])]
    #[
        TestWith([
            '<nav role="doc-toc"><a href="#a">The old lamps</a> <a href="#c">Gales</a></nav><nav role="doc-toc"><a href="#a">The old lamps</a> <a href="#c">Gales</a></nav>',
            1,
        ]),
    ]
    public function testWhatLeadsAboutAPageIsLeftOut(string $html, int $kept): void
    {
        $read = Services::formats()->read('x.html', $html . self::HEADINGS);
        self::assertCount($kept, self::contentsIn($read->document));
        self::assertContains(
            'A contents list was left out; contents are made here from the headings.',
            $read->report->warnings(),
        );
    }

    /** What pandoc writes of a book with `--toc`. */
    #[TestWith(['html'])]
    #[TestWith(['odt'])]
    public function testThoseOfPandocAreRead(string $format): void
    {
        $markdown = "# Lamps\n\na\n\n## Oil\n\nb\n\n# Gales\n\nc\n";
        $bytes = Foreign::run(['pandoc', '--toc', '-s', '-M', 'title=T', '-t', $format, '-o', '-'], $markdown);
        $document = Services::formats()->read('x.' . $format, $bytes)->document;
        foreach (self::contentsIn($document) as $contents) {
            self::assertSame(['Lamps', 'Oil', 'Gales'], array_column(self::lines($contents), 1));
            self::assertSame([null, null, null], array_column(self::lines($contents), 2));
        }
        self::assertSame(['Lamps', 'Oil', 'Gales'], array_values(array_filter($document->headings())));
    }

    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testHandWorkGoesThroughFilesOfOurs(string $format): void
    {
        $document = self::withHandWork();
        [$before] = self::contentsIn($document);
        $again = Services::formats()->read('x.' . $format, Services::formats()->written($format, $document))->document;
        [$after] = self::contentsIn($again);
        $said = static fn(Node $contents): array => array_map(
            static fn(array $line): array => array_diff_key($line, ['section' => 1, 'bookmark' => 1]) + [
                'added' => isset($line['bookmark']),
            ],
            ContentsLines::kept($contents),
        );
        self::assertEquals($said($before), $said($after));
        self::assertEquals(ContentsSettings::in($before)->looks, ContentsSettings::in($after)->looks);
        self::assertTrue(ContentsLines::isCurrent($again, $after));
    }

    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testHandWorkOnAListOfIllustrationsGoesThroughFilesOfOurs(string $format): void
    {
        $figure = static fn(string $words): string => '<figure><img src="data:image/png;base64,' .
            base64_encode(Packed::PNG) .
            '" alt=""><figcaption>' .
            $words .
            '</figcaption></figure>';
        $document = Services::formats()->read(
            'a.html',
            '<p>Words.</p><h1>Lamps</h1>' .
                $figure('A lamp by day') .
                '<table><caption>Oil</caption><tr><td>1</td></tr></table>' .
                $figure('A lamp by night') .
                '<h1>Gales</h1><p><a id="the_gale" class="bookmark"></a>It blew.</p>' .
                $figure('A gale') .
                $figure('A gale') .
                $figure('A calm'),
        )->document;
        $holder = $document->outline->idAt(0);
        $block = new ContentsBlock($holder, 0);
        [$lamps, $gales] = [$document->outline->idAt(1)->value, $document->outline->idAt(2)->value];
        $document = self::after(
            $document,
            new GenerateContents($holder, new ContentsSettings(1, 9, true, 'Pictures', of: ContentsOf::Figures)),
            new ChangeContentsLine($block, $lamps . ':0', null, true),
            new ChangeContentsLine($block, $lamps . ':2', 'By night', null),
            new ChangeContentsLine($block, $gales . ':1', 'The second gale', null),
            new ChangeContentsLine($block, $gales . ':2', null, true),
            new AddContentsLine(
                $block,
                SectionId::fromString((string) array_key_first($document->references()[2]->bookmarks)),
                'Where it blew',
                1,
            ),
        );
        $again = Services::formats()->read('x.' . $format, Services::formats()->written($format, $document))->document;
        [$after] = self::contentsIn($again);
        self::assertSame(
            [
                ['A lamp by day', null, true],
                ['A lamp by night', 'By night', false],
                ['A gale', null, false],
                ['A gale', 'The second gale', false],
                ['A calm', null, true],
                ['Where it blew', null, false],
            ],
            array_map(
                static fn(array $line): array => [$line['heading'], $line['words'] ?? null, isset($line['out'])],
                ContentsLines::kept($after),
            ),
        );
        self::assertTrue(ContentsLines::isCurrent($again, $after));
    }

    private static function withHandWork(): Document
    {
        $document = Services::formats()->read(
            'a.md',
            "Words.\n\n# The old lamps\n\na\n\n## Oil “and” wick\n\nThe <a id=\"the_wick\" class=\"bookmark\"></a>wick.\n\n# Gales\n\nc\n",
        )->document;
        $holder = $document->outline->idAt(0);
        $block = new ContentsBlock($holder, 0);
        $bookmark = (string) array_key_first($document->references()[2]->bookmarks);

        return self::after(
            $document,
            new GenerateContents(
                $holder,
                new ContentsSettings(1, 3, true, 'In this book', looks: [1 => LineLook::Strong, 2 => LineLook::Small]),
            ),
            new ChangeContentsLine($block, $document->outline->idAt(1)->value, 'Lamps & “lanterns”', null),
            new ChangeContentsLine($block, $document->outline->idAt(3)->value, null, true),
            new AddContentsLine($block, SectionId::fromString($bookmark), 'The wick', 3),
        );
    }

    private static function after(Document $document, Operation ...$operations): Document
    {
        foreach ($operations as $operation) {
            $outcome = $operation->applyTo($document);
            self::assertInstanceOf(Applied::class, $outcome);
            $document = $outcome->document;
        }

        return $document;
    }

    /** @return list<Node> */
    private static function contentsIn(Document $document): array
    {
        $found = [];
        foreach ($document->sections() as $section) {
            foreach ($section->body->walk() as $node) {
                if ('contents' === $node->type) {
                    $found[] = $node;
                }
            }
        }

        return $found;
    }

    /** @return list<array{string, string, string|null}> number, heading, and words by hand */
    private static function lines(Node $contents): array
    {
        return array_map(
            static fn(array $line): array => [$line['number'], $line['heading'], $line['words'] ?? null],
            ContentsLines::kept($contents),
        );
    }
}
