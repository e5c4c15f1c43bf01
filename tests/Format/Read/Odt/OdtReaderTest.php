<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Odt;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** Text packages, part by part, after OASIS ODF 1.3; what each becomes is shown as Markdown. */
final class OdtReaderTest extends TestCase
{
    private const STYLES =
        '<style:style style:name="B" style:family="text"><style:text-properties fo:font-weight="bold"/></style:style>' .
        '<style:style style:name="I" style:family="text"><style:text-properties fo:font-style="italic"/></style:style>' .
        '<style:style style:name="Up" style:family="text"><style:text-properties style:text-position="super 58%"/></style:style>' .
        '<style:style style:name="Hidden" style:family="text"><style:text-properties text:display="none"/></style:style>' .
        '<text:list-style style:name="Dots"><text:list-level-style-bullet text:level="1" text:bullet-char="•"/><text:list-level-style-bullet text:level="2" text:bullet-char="•"/></text:list-style>' .
        '<text:list-style style:name="Numbers"><text:list-level-style-number text:level="1" style:num-format="1" text:start-value="3"/></text:list-style>';

    /** @return iterable<string, array{string, string}> */
    public static function bodies(): iterable
    {
        $p = static fn(string $content): string => '<text:p>' . $content . '</text:p>';
        $span = static fn(string $style, string $content): string => '<text:span text:style-name="' .
            $style .
            '">' .
            $content .
            '</text:span>';
        yield 'headings by their outline level' => [
            '<text:h text:outline-level="1">One</text:h>' . $p('text') . '<text:h text:outline-level="2">Two</text:h>',
            "# One\n\ntext\n\n## Two",
        ];
        yield 'a heading without a level is of level 1' => ['<text:h>One</text:h>', '# One'];
        yield 'level ten, which we do not have, becomes nine' => [
            '<text:h text:outline-level="10">Deep</text:h>',
            '<div role="heading" aria-level="9">Deep</div>',
        ];
        yield 'emphasis, strong, raised' => [
            $p('a ' . $span('I', 'b') . ' ' . $span('B', 'c') . ' d' . $span('Up', '2')),
            'a *b* **c** d<sup>2</sup>',
        ];
        yield 'a span within a span' => [$p($span('I', 'a ' . $span('B', 'b'))), '<em>a **b**</em>'];
        yield 'spaces, tabs and lines that are written as parts' => [
            $p('a<text:s text:c="2"/>b<text:line-break/>c'),
            "a  b\\\nc",
        ];
        yield 'spaces at the beginning are none' => [$p("\n  a") . $p(' b'), "a\n\nb"];
        yield 'several spaces in the file are one' => [$p("a   \n  b"), 'a b'];
        yield 'a link' => [
            $p('<text:a xlink:href="https://example.org/">there</text:a>'),
            '[there](<https://example.org/>)',
        ];
        yield 'a link to a heading by its bookmark' => [
            '<text:h text:outline-level="1"><text:bookmark text:name="here"/>One</text:h>' .
            $p('<text:a xlink:href="#here">back</text:a>'),
            "# One <a id=\"sec-one\"></a>\n\n[back](<#sec-one>)",
        ];
        yield 'a list in a list' => [
            '<text:list text:style-name="Dots"><text:list-item>' .
            $p('a') .
            '<text:list><text:list-item>' .
            $p('b') .
            '</text:list-item></text:list></text:list-item><text:list-item>' .
            $p('c') .
            '</text:list-item></text:list>',
            "- a\n\n  - b\n- c",
        ];
        yield 'a numbered list that starts at 3' => [
            '<text:list text:style-name="Numbers"><text:list-item>' .
            $p('a') .
            '</text:list-item><text:list-item>' .
            $p('b') .
            '</text:list-item></text:list>',
            "3. a\n4. b",
        ];
        yield 'a footnote' => [
            $p(
                'a<text:note text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body>' .
                    $p('At the foot.') .
                    '</text:note-body></text:note>',
            ),
            "a[^1]\n\n[^1]: At the foot.",
        ];
        yield 'a tab' => [$p('a<text:tab/>b'), 'a&#9;b'];
        yield 'a bookmark between paragraphs stands before what follows' => [
            '<text:bookmark text:name="gap"/>' . $p('text') . $p('<text:a xlink:href="#gap">there</text:a>'),
            "<a id=\"gap\"></a>text\n\n[there](<#gap>)",
        ];
        yield 'a bookmark on a blank line stands before what follows' => [
            $p('<text:bookmark text:name="gap"/>') . $p('text') . $p('<text:a xlink:href="#gap">there</text:a>'),
            "<a id=\"gap\"></a>text\n\n[there](<#gap>)",
        ];
        yield 'at the end of a section it is the section' => [
            '<text:h text:outline-level="1">One</text:h>' .
            $p('<text:a xlink:href="#gap">there</text:a>') .
            $p('<text:bookmark text:name="gap"/>'),
            "# One <a id=\"sec-one\"></a>\n\n[there](<#sec-one>)",
        ];
        yield 'headings in a list are headings' => [
            '<text:list><text:list-item><text:h text:outline-level="1">One</text:h></text:list-item><text:list-item><text:list><text:list-item><text:h text:outline-level="2">Two</text:h></text:list-item></text:list></text:list-item></text:list>',
            "# One\n\n## Two",
        ];
        yield 'a list without items is nothing' => ['<text:list/>' . $p('text'), 'text'];
        yield 'a table in an item of a list' => [
            '<text:list text:style-name="Dots"><text:list-item>' .
            $p('a') .
            '<table:table><table:table-row><table:table-cell>' .
            $p('1') .
            '</table:table-cell></table:table-row></table:table></text:list-item></text:list>',
            "- a\n\n  <table>\n  <tr><td>1</td></tr>\n  </table>",
        ];
        yield 'a list in a cell is its lines' => [
            '<table:table><table:table-row><table:table-cell><text:list><text:list-item>' .
            $p('a') .
            '</text:list-item><text:list-item>' .
            $p('b') .
            '</text:list-item></text:list></table:table-cell></table:table-row></table:table>',
            "<table>\n<tr><td>a<br>\nb</td></tr>\n</table>",
        ];
        yield 'a part we do not know is its words' => [
            $p('a <text:placeholder text:placeholder-type="text">words</text:placeholder>'),
            'a words',
        ];
        yield 'a link that says nowhere is its words' => [$p('<text:a xlink:href="">here</text:a>'), 'here'];
        yield 'a section is looked into' => [
            '<text:section text:name="s"><text:h text:outline-level="1">One</text:h>' . $p('text') . '</text:section>',
            "# One\n\ntext",
        ];
        yield 'what was deleted and is kept as a change goes' => [
            '<text:tracked-changes><text:changed-region><text:deletion>' .
            $p('gone') .
            '</text:deletion></text:changed-region></text:tracked-changes>' .
            $p('stays'),
            'stays',
        ];
        yield 'a table' => [
            '<table:table><table:table-header-rows><table:table-row><table:table-cell>' .
            $p('a') .
            '</table:table-cell></table:table-row></table:table-header-rows><table:table-row><table:table-cell>' .
            $p('1') .
            '</table:table-cell></table:table-row></table:table>',
            "| a |\n| --- |\n| 1 |",
        ];
    }

    #[DataProvider('bodies')]
    public function testWhatEachPartBecomes(string $body, string $markdown): void
    {
        self::assertSame($markdown, Services::asMarkdown('x.odt', Packed::odt($body, self::STYLES)));
    }

    /**
     * @return iterable<string, array{string, string, list<string>}> the text, what it becomes, and what is said of it
     */
    public static function losses(): iterable
    {
        $p = static fn(string $content): string => '<text:p>' . $content . '</text:p>';
        $frame = static fn(string $content): string => '<draw:frame>' . $content . '</draw:frame>';
        $picture = static fn(string $href, string $rest = ''): string => '<draw:image xlink:href="' .
            $href .
            '"/>' .
            $rest;
        yield 'a picture of the package, with what it shows' => [
            $p($frame($picture('Pictures/a.png', '<svg:desc>A lamp</svg:desc>'))),
            '<img src="data:image/png;base64,iVBORw0KGgo=" alt="A lamp">',
            [],
        ];
        yield 'a picture among words' => [
            $p('see ' . $frame($picture('Pictures/a.png', '<svg:title>lamp</svg:title>'))),
            'see <img src="data:image/png;base64,iVBORw0KGgo=" alt="lamp">',
            [],
        ];
        yield 'a picture in a box with its caption' => [
            $p(
                $frame(
                    '<draw:text-box>' .
                        $p($frame($picture('Pictures/a.png')) . 'Figure 1: the lamp') .
                        '</draw:text-box>',
                ),
            ),
            '<figure><img src="data:image/png;base64,iVBORw0KGgo=" alt=""><figcaption><span class="caption-number">Figure 1. </span>the lamp</figcaption></figure>',
            [],
        ];
        yield 'a picture that is not in the file' => [
            $p($frame($picture('Pictures/gone.png', '<svg:desc>Gone</svg:desc>'))),
            '<img src="" alt="Gone">',
            ['One picture is named in the file but not in it.'],
        ];
        yield 'a picture elsewhere' => [
            $p($frame($picture('https://example.org/a.png'))),
            '<img src="https://example.org/a.png" alt="">',
            ['One picture lies outside the file; its address and description were kept.'],
        ];
        yield 'a drawing that no browser shows' => [
            $p($frame($picture('Pictures/a.emf', '<svg:desc>Chart</svg:desc>'))),
            '<img src="" alt="Chart">',
            ['One picture is of a kind that cannot be shown; only its description was kept.'],
        ];
        yield 'a box of text' => [
            $p('before' . $frame('<draw:text-box>' . $p('in the box') . '</draw:text-box>') . ' after'),
            "before after\n\nin the box",
            ['The words of a text box stand after the paragraph it hung on.'],
        ];
        yield 'a comment' => [
            $p('a<office:annotation>' . $p('why?') . '</office:annotation>b'),
            'ab',
            ['One comment was left out.'],
        ];
        yield 'hidden words' => [
            $p('a<text:span text:style-name="Hidden">secret</text:span>b<text:hidden-text>no</text:hidden-text>'),
            'ab',
            ['Hidden text was left out, in 2 places.'],
        ];
        yield 'a contents list' => [
            '<text:table-of-content><text:index-body>' .
            $p('One 1') .
            '</text:index-body></text:table-of-content>' .
            $p('text'),
            'text',
            ['A contents list was left out; contents are made here from the headings.'],
        ];
        yield 'a link that would run' => [
            $p('<text:a xlink:href="javascript:alert(1)">press</text:a>'),
            'press',
            ['The address of one link could run as a program; only its words were kept.'],
        ];
        yield 'a link to nowhere' => [
            $p('<text:a xlink:href="#Soils|outline">soils</text:a>'),
            'soils',
            ['A link leads to a place that is nowhere in the file.'],
        ];
        yield 'a formula' => [
            $p('a' . $frame('<draw:object xlink:href="./Formula"/>')),
            'a',
            ['One formula was kept as plain text.'],
        ];
        yield 'an object that is no picture' => [
            $p('a' . $frame('<draw:plugin xlink:href="x"/>')),
            'a',
            ['One embedded object could not be kept.'],
        ];
        yield 'what was inserted and is kept as a change stays' => [
            '<text:tracked-changes><text:changed-region><text:insertion/></text:changed-region></text:tracked-changes>' .
            $p('stays'),
            'stays',
            ['Text marked as inserted was kept as text, in one place.'],
        ];
        yield 'a note of two paragraphs' => [
            $p('a<text:note><text:note-body>' . $p('one') . $p('two') . '</text:note-body></text:note>'),
            "a[^1]\n\n[^1]: one two",
            ['One footnote with several paragraphs is one paragraph now.'],
        ];
        yield 'merged cells, a heading and a table in a cell' => [
            '<table:table><table:table-row><table:table-cell table:number-columns-spanned="2"><text:h>Head</text:h></table:table-cell><table:covered-table-cell/></table:table-row><table:table-row><table:table-cell><table:table><table:table-row><table:table-cell>' .
            $p('a') .
            '</table:table-cell><table:table-cell>' .
            $p('b') .
            '</table:table-cell></table:table-row></table:table></table:table-cell></table:table-row></table:table>',
            "<table>\n<tr><td colspan=\"2\">Head</td></tr>\n<tr><td>a | b</td></tr>\n</table>",
            [
                'A heading in a table was kept as words of its cell.',
                'A table within a table was kept as lines of its cell.',
            ],
        ];
        yield 'a cell that stands for three' => [
            '<table:table><table:table-row><table:table-cell table:number-columns-repeated="3">' .
            $p('0') .
            '</table:table-cell></table:table-row></table:table>',
            "<table>\n<tr><td>0</td><td>0</td><td>0</td></tr>\n</table>",
            [],
        ];
    }

    /** @param list<string> $notes */
    #[DataProvider('losses')]
    public function testWhatCouldNotBeKeptIsReported(string $body, string $markdown, array $notes): void
    {
        $file = Packed::odt($body, self::STYLES, '', ['Pictures/a.png' => Packed::PNG, 'Pictures/a.emf' => 'emf']);

        self::assertSame($markdown, Services::asMarkdown('x.odt', $file));
        self::assertSame($notes, Services::importNotes('x.odt', $file));
    }

    public function testHeadingsCountedByTheFilesOwnProgramGiveTheirNumbersToTheScheme(): void
    {
        $common =
            '<text:outline-style style:name="Outline"><text:outline-level-style text:level="1" style:num-format="A" style:num-prefix="Appendix "/><text:outline-level-style text:level="2" style:num-format="1" text:display-levels="2"/><text:outline-level-style text:level="3" style:num-format=""/></text:outline-style>';
        $heading = static fn(int $level, string $words): string => '<text:h text:outline-level="' .
            $level .
            '">' .
            $words .
            '</text:h>';
        $document = Services::formats()->read(
            'x.odt',
            Packed::odt(
                $heading(1, 'Forms') .
                    $heading(2, 'Old') .
                    $heading(3, 'Detail') .
                    $heading(2, 'New') .
                    $heading(1, 'Maps'),
                '',
                $common,
            ),
        )->document;

        self::assertSame(['Forms', 'Old', 'Detail', 'New', 'Maps'], $document->headings());
        self::assertSame(['Appendix A', 'A.1', '', 'A.2', 'Appendix B'], $document->numbers());
    }

    public function testStylesBasedOnEachOtherInACircleComeToAnEnd(): void
    {
        $circle =
            '<style:style style:name="A" style:family="paragraph" style:parent-style-name="B"/><style:style style:name="B" style:family="paragraph" style:parent-style-name="A"/>';

        self::assertSame(
            'text',
            Services::asMarkdown('x.odt', Packed::odt('<text:p text:style-name="A">text</text:p>', $circle)),
        );
    }

    public function testColumnsStandAsTheirParagraphsDo(): void
    {
        $styles =
            '<style:style style:name="End" style:family="paragraph"><style:paragraph-properties fo:text-align="end"/></style:style><style:style style:name="Mid" style:family="paragraph"><style:paragraph-properties fo:text-align="center"/></style:style>';
        $cell = static fn(string $style, string $words): string => '<table:table-cell><text:p text:style-name="' .
            $style .
            '">' .
            $words .
            '</text:p></table:table-cell>';
        $row = '<table:table-row>' . $cell('End', 'a') . $cell('Mid', 'b') . '</table:table-row>';

        self::assertSame(
            "| a | b |\n| ---: | :---: |\n| a | b |",
            Services::asMarkdown(
                'x.odt',
                Packed::odt(
                    '<table:table><table:table-header-rows>' .
                        $row .
                        '</table:table-header-rows>' .
                        $row .
                        '</table:table>',
                    $styles,
                ),
            ),
        );
    }

    public function testAListMayBelongToTheStyleThatAParagraphIsBasedOn(): void
    {
        $common =
            '<style:style style:name="Numbered" style:family="paragraph" style:list-style-name="N"/><style:style style:name="Mine" style:family="paragraph" style:parent-style-name="Numbered"/><text:list-style style:name="N"><text:list-level-style-number text:level="1" style:num-format="1"/></text:list-style>';
        $body =
            '<text:list><text:list-item><text:p text:style-name="Mine">a</text:p></text:list-item><text:list-item><text:p text:style-name="Mine">b</text:p></text:list-item></text:list>';

        self::assertSame("1. a\n2. b", Services::asMarkdown('x.odt', Packed::odt($body, '', $common)));
    }

    public function testAHeadingThatBeginsAPageIsPrecededByABreak(): void
    {
        $styles =
            '<style:style style:name="New" style:family="paragraph"><style:paragraph-properties fo:break-before="page"/></style:style>';

        self::assertSame(
            "text\n\n<div class=\"page-break\"></div>\n\n# One",
            Services::asMarkdown(
                'x.odt',
                Packed::odt(
                    '<text:p>text</text:p><text:h text:style-name="New" text:outline-level="1">One</text:h>',
                    $styles,
                ),
            ),
        );
    }

    public function testPageBreaksAreThoseThatStylesAskFor(): void
    {
        $styles =
            '<style:style style:name="New" style:family="paragraph"><style:paragraph-properties fo:break-before="page"/></style:style>';
        $body = '<text:p text:style-name="New">first</text:p><text:p text:style-name="New">second</text:p>';

        self::assertSame(
            "first\n\n<div class=\"page-break\"></div>\n\nsecond",
            Services::asMarkdown('x.odt', Packed::odt($body, $styles)),
        );
    }
}
