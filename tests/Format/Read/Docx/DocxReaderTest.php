<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Docx;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** Word-processing packages, part by part, after ECMA-376 part 1; what each becomes is shown as Markdown. */
final class DocxReaderTest extends TestCase
{
    private const STYLES =
        '<w:style w:type="paragraph" w:styleId="H1"><w:name w:val="heading 1"/><w:pPr><w:outlineLvl w:val="0"/></w:pPr></w:style>' .
        '<w:style w:type="paragraph" w:styleId="H2"><w:name w:val="heading 2"/><w:pPr><w:outlineLvl w:val="1"/></w:pPr></w:style>' .
        '<w:style w:type="paragraph" w:styleId="Chapter"><w:name w:val="Chapter"/><w:basedOn w:val="H1"/></w:style>' .
        '<w:style w:type="paragraph" w:styleId="T"><w:name w:val="Title"/></w:style>' .
        '<w:style w:type="paragraph" w:styleId="Q"><w:name w:val="Quote"/></w:style>' .
        '<w:style w:type="character" w:styleId="E"><w:name w:val="Emphasis"/><w:rPr><w:i/></w:rPr></w:style>';
    private const NUMBERING =
        '<w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:numFmt w:val="bullet"/></w:lvl><w:lvl w:ilvl="1"><w:numFmt w:val="bullet"/></w:lvl></w:abstractNum>' .
        '<w:abstractNum w:abstractNumId="1"><w:lvl w:ilvl="0"><w:start w:val="3"/><w:numFmt w:val="decimal"/><w:lvlText w:val="%1."/></w:lvl></w:abstractNum>' .
        '<w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num><w:num w:numId="2"><w:abstractNumId w:val="1"/></w:num>';

    /** @return iterable<string, array{string, string}> */
    public static function bodies(): iterable
    {
        $p = self::p(...);
        $run = static fn(string $words, string $properties = ''): string => '<w:r>' .
            ('' === $properties ? '' : '<w:rPr>' . $properties . '</w:rPr>') .
            '<w:t xml:space="preserve">' .
            $words .
            '</w:t></w:r>';
        yield 'headings by their styles' => [$p('One', 'H1') . $p('text') . $p('Two', 'H2'), "# One\n\ntext\n\n## Two"];
        yield 'a style based on a heading is one' => [$p('One', 'Chapter') . $p('text'), "# One\n\ntext"];
        yield 'a level given to the paragraph itself' => [
            '<w:p><w:pPr><w:outlineLvl w:val="2"/></w:pPr>' . $run('Deep') . '</w:p>',
            '### Deep',
        ];
        yield 'level ten is body text' => [
            '<w:p><w:pPr><w:outlineLvl w:val="9"/></w:pPr>' . $run('text') . '</w:p>',
            'text',
        ];
        yield 'a level against the style makes body text' => [
            '<w:p><w:pPr><w:pStyle w:val="H1"/><w:outlineLvl w:val="9"/></w:pPr>' . $run('text') . '</w:p>',
            'text',
        ];
        yield 'emphasis, strong, raised, lowered' => [
            '<w:p>' .
            $run('a') .
            $run('b', '<w:i/>') .
            $run('c', '<w:b/>') .
            $run('d', '<w:vertAlign w:val="superscript"/>') .
            '</w:p>',
            'a<em>b</em><strong>c</strong><sup>d</sup>',
        ];
        yield 'a switch turned off' => [
            '<w:p>' . $run('a', '<w:b w:val="0"/>') . $run('b', '<w:i w:val="false"/>') . '</w:p>',
            'ab',
        ];
        yield 'a character style' => ['<w:p>' . $run('a ') . $run('b', '<w:rStyle w:val="E"/>') . '</w:p>', 'a *b*'];
        yield 'hidden text is not read' => [
            '<w:p>' . $run('a') . $run('secret', '<w:vanish/>') . $run('b') . '</w:p>',
            'ab',
        ];
        yield 'inserted text stays, deleted text goes' => [
            '<w:p>' .
            $run('a') .
            '<w:ins>' .
            $run('b') .
            '</w:ins><w:del><w:r><w:delText>c</w:delText></w:r></w:del>' .
            $run('d') .
            '</w:p>',
            'abd',
        ];
        yield 'moved text stands where it went' => [
            '<w:p><w:moveFrom>' .
            $run('a') .
            '</w:moveFrom>' .
            $run('b') .
            '<w:moveTo>' .
            $run('a') .
            '</w:moveTo></w:p>',
            'ba',
        ];
        yield 'content controls are looked into' => [
            '<w:sdt><w:sdtContent>' .
            $p('One', 'H1') .
            '</w:sdtContent></w:sdt><w:p><w:sdt><w:sdtContent>' .
            $run('text') .
            '</w:sdtContent></w:sdt></w:p>',
            "# One\n\ntext",
        ];
        yield 'a link outside' => [
            '<w:p><w:hyperlink r:id="l">' . $run('there') . '</w:hyperlink></w:p>',
            '[there](<https://example.org/a?b=1&amp;c=2>)',
        ];
        yield 'a link to a bookmarked heading' => [
            '<w:p><w:pPr><w:pStyle w:val="H1"/></w:pPr><w:bookmarkStart w:id="1" w:name="_Ref1"/>' .
            $run('One') .
            '<w:bookmarkEnd w:id="1"/></w:p><w:p><w:hyperlink w:anchor="_Ref1">' .
            $run('back') .
            '</w:hyperlink></w:p>',
            "# One <a id=\"sec-one\"></a>\n\n[back](<#sec-one>)",
        ];
        yield 'a field that links' => [
            '<w:p><w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> HYPERLINK "https://example.org/" </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>' .
            $run('there') .
            '<w:r><w:fldChar w:fldCharType="end"/></w:r></w:p>',
            '[there](<https://example.org/>)',
        ];
        yield 'a field shows its result' => [
            '<w:p>' . $run('page ') . '<w:fldSimple w:instr=" PAGE "><w:r><w:t>7</w:t></w:r></w:fldSimple></w:p>',
            'page 7',
        ];
        yield 'a bulleted list within a list' => [
            self::item('a', 1, 0) . self::item('b', 1, 1) . self::item('c', 1, 0),
            "- a\n\n  - b\n- c",
        ];
        yield 'a numbered list that starts at 3' => [self::item('a', 2, 0) . self::item('b', 2, 0), "3. a\n4. b"];
        yield 'number zero takes a paragraph out of a list' => [self::item('a', 0, 0), 'a'];
        yield 'a quotation by its style' => [$p('Words.', 'Q'), '> Words.'];
        yield 'a break within a line' => ['<w:p><w:r><w:t>a</w:t><w:br/><w:t>b</w:t></w:r></w:p>', "a\\\nb"];
        yield 'a tab and a hyphen that does not break' => [
            '<w:p><w:r><w:t>a</w:t><w:tab/><w:t>b</w:t><w:noBreakHyphen/><w:t>c</w:t></w:r></w:p>',
            "a&#9;b\u{2011}c",
        ];
        yield 'a table without a row of headings' => [
            '<w:tbl><w:tr><w:tc>' .
            $p('a') .
            '</w:tc><w:tc>' .
            $p('b') .
            '</w:tc></w:tr><w:tr><w:tc>' .
            $p('1') .
            '</w:tc><w:tc>' .
            $p('2') .
            '</w:tc></w:tr></w:tbl>',
            "<table>\n<tr><td>a</td><td>b</td></tr>\n<tr><td>1</td><td>2</td></tr>\n</table>",
        ];
        yield 'elements of somebody’s own are looked into' => [
            '<w:customXml w:element="chapter">' . $p('One', 'H1') . $p('text') . '</w:customXml>',
            "# One\n\ntext",
        ];
        yield 'what only newer programs know has a reading for older ones' => [
            '<w:p><w:r><mc:AlternateContent xmlns:mc="http://schemas.openxmlformats.org/markup-compatibility/2006"><mc:Fallback><w:t>plain</w:t></mc:Fallback></mc:AlternateContent></w:r></w:p>',
            'plain',
        ];
        yield 'a line ended by its own sign' => ['<w:p><w:r><w:t>a</w:t><w:cr/><w:t>b</w:t></w:r></w:p>', "a\\\nb"];
        yield 'a table that has its caption takes no second one' => [
            '<w:tbl><w:tblPr><w:tblCaption w:val="Readings"/></w:tblPr><w:tr><w:tc>' .
            $p('a') .
            '</w:tc></w:tr></w:tbl><w:p><w:pPr><w:pStyle w:val="Caption"/></w:pPr>' .
            $run('By hand') .
            '</w:p>',
            "<table>\n<caption><span class=\"caption-number\">Table 1. </span>Readings</caption>\n<tr><td>a</td></tr>\n</table>\n\nBy hand",
        ];
        yield 'a part of the document that begins on a page of its own' => [
            '<w:p><w:pPr><w:sectPr/></w:pPr>' . $run('a') . '</w:p>' . $p('b'),
            "a\n\n<div class=\"page-break\"></div>\n\nb",
        ];
        yield 'a part that goes on upon the same page' => [
            '<w:p><w:pPr><w:sectPr><w:type w:val="continuous"/></w:sectPr></w:pPr>' . $run('a') . '</w:p>' . $p('b'),
            "a\n\nb",
        ];
        yield 'paragraphs that were moved stand where they went' => [
            '<w:moveTo>' . $p('a') . '</w:moveTo>' . $p('b'),
            "a\n\nb",
        ];
        yield 'a paragraph that begins a page' => [
            $p('a') . '<w:p><w:pPr><w:pageBreakBefore/></w:pPr>' . $run('b') . '</w:p>',
            "a\n\n<div class=\"page-break\"></div>\n\nb",
        ];
        yield 'a bookmark on a blank line stands before what follows' => [
            '<w:p><w:bookmarkStart w:id="1" w:name="gap"/><w:bookmarkEnd w:id="1"/></w:p>' .
            $p('text') .
            '<w:p><w:hyperlink w:anchor="gap">' .
            $run('there') .
            '</w:hyperlink></w:p>',
            "<a id=\"gap\"></a>text\n\n[there](<#gap>)",
        ];
        $link = '<w:p><w:hyperlink w:anchor="gap">' . $run('there') . '</w:hyperlink></w:p>';
        yield 'on a blank line before a heading, it is the section' => [
            '<w:p><w:bookmarkStart w:id="1" w:name="gap"/></w:p>' . $p('One', 'H1') . $link,
            "# One <a id=\"sec-one\"></a>\n\n[there](<#sec-one>)",
        ];
        yield 'a bookmark at a picture stands by its caption' => [
            '<w:p><w:bookmarkStart w:id="1" w:name="gap"/><w:r><w:drawing><a:blip r:embed="none"/></w:drawing></w:r></w:p>' .
            $link,
            "<figure><img src=\"\" alt=\"\"><figcaption><a id=\"gap\" class=\"bookmark\"></a></figcaption></figure>\n\n[there](<#gap>)",
        ];
        yield 'a bookmark in the title stands before the text' => [
            '<w:p><w:pPr><w:pStyle w:val="T"/></w:pPr><w:bookmarkStart w:id="1" w:name="gap"/>' .
            $run('Title') .
            '</w:p>' .
            $link,
            '<a id="gap"></a>[there](<#gap>)',
        ];
        yield 'a bookmark between paragraphs, though nothing leads to it' => [
            $p('a') . '<w:bookmarkStart w:id="1" w:name="gap"/>' . $p('b'),
            "a\n\n<a id=\"gap\"></a>b",
        ];
        yield 'the mark of where someone stopped is no bookmark' => [
            '<w:p><w:bookmarkStart w:id="1" w:name="_GoBack"/><w:bookmarkEnd w:id="1"/>' . $run('text') . '</w:p>',
            'text',
        ];
        yield 'a link that says nowhere is its words' => [
            '<w:p><w:hyperlink>' . $run('here') . '</w:hyperlink></w:p>',
            'here',
        ];
        yield 'a cell in a content control' => [
            '<w:tbl><w:tr><w:sdt><w:sdtContent><w:tc>' .
            $p('a') .
            '</w:tc></w:sdtContent></w:sdt><w:tc>' .
            $p('b') .
            '</w:tc></w:tr></w:tbl>',
            "<table>\n<tr><td>a</td><td>b</td></tr>\n</table>",
        ];
        yield 'a picture in an item of a list' => [
            '<w:p><w:pPr><w:numPr><w:ilvl w:val="0"/><w:numId w:val="1"/></w:numPr></w:pPr>' .
            $run('see ') .
            '<w:r><w:drawing><a:blip r:embed="none"/></w:drawing></w:r></w:p>',
            '- see <img src="" alt="">',
        ];
        yield 'a footnote' => [
            '<w:p>' . $run('a') . '<w:r><w:footnoteReference w:id="2"/></w:r></w:p>',
            "a[^1]\n\n[^1]: At the foot.",
        ];
    }

    #[DataProvider('bodies')]
    public function testWhatEachPartBecomes(string $body, string $markdown): void
    {
        $footnotes =
            '<w:footnote w:id="2"><w:p><w:r><w:footnoteRef/></w:r><w:r><w:t>At the foot.</w:t></w:r></w:p></w:footnote>';
        $file = Packed::docx($body, self::STYLES, self::NUMBERING, $footnotes, [
            'l' => 'https://example.org/a?b=1&c=2',
        ]);
        self::assertSame($markdown, Services::asMarkdown('x.docx', $file));
    }

    /**
     * @return iterable<string, array{string, string, list<string>}> the body, what it becomes, and what is said of it
     */
    public static function losses(): iterable
    {
        $p = self::p(...);
        $run = static fn(string $content): string => '<w:r>' . $content . '</w:r>';
        $words = static fn(string $words): string => '<w:r><w:t>' . $words . '</w:t></w:r>';
        $drawing = static fn(
            string $id,
            string $alt = '',
        ): string => '<w:r><w:drawing><wp:inline><wp:docPr id="1" name="x" descr="' .
            $alt .
            '"/><a:graphic><a:graphicData><a:blip r:embed="' .
            $id .
            '"/></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>';
        yield 'a picture, with what it shows' => [
            '<w:p>' . $drawing('png', 'A lamp') . '</w:p>',
            '<img src="data:image/png;base64,iVBORw0KGgo=" alt="A lamp">',
            [],
        ];
        yield 'a caption below its picture' => [
            '<w:p>' . $drawing('png') . '</w:p>' . $p('The lamp', 'Cap'),
            '<figure><img src="data:image/png;base64,iVBORw0KGgo=" alt=""><figcaption><span class="caption-number">Figure 1. </span>The lamp</figcaption></figure>',
            [],
        ];
        yield 'a caption above its table' => [
            $p('Watches', 'Cap') .
            '<w:tbl><w:tr><w:trPr><w:tblHeader/></w:trPr><w:tc>' .
            $p('a') .
            '</w:tc></w:tr><w:tr><w:tc>' .
            $p('1') .
            '</w:tc></w:tr></w:tbl>',
            "<table>\n<caption><span class=\"caption-number\">Table 1. </span>Watches</caption>\n<tr><th>a</th></tr>\n<tr><td>1</td></tr>\n</table>",
            [],
        ];
        yield 'a picture that is not in the file' => [
            '<w:p>' . $drawing('nowhere') . '</w:p>',
            '<img src="" alt="">',
            ['One picture is named in the file but not in it.'],
        ];
        yield 'a drawing that no browser shows' => [
            '<w:p>' . $drawing('emf', 'Chart') . '</w:p>',
            '<img src="" alt="Chart">',
            ['One picture is of a kind that cannot be shown; only its description was kept.'],
        ];
        yield 'an object that is no picture' => [
            '<w:p>' . $words('a') . $run('<w:object/>') . '</w:p>',
            'a',
            ['One embedded object could not be kept.'],
        ];
        yield 'a box of text' => [
            '<w:p>' .
            $words('a') .
            $run('<w:pict><w:txbxContent>' . $p('in the box') . '</w:txbxContent></w:pict>') .
            '</w:p>',
            "a\n\nin the box",
            ['The words of a text box stand after the paragraph it hung on.'],
        ];
        yield 'a comment' => [
            '<w:p>' . $words('a') . $run('<w:commentReference w:id="1"/>') . '</w:p>',
            'a',
            ['One comment was left out.'],
        ];
        yield 'changes that were tracked' => [
            '<w:p><w:ins>' . $words('a') . '</w:ins><w:del>' . $words('b') . '</w:del></w:p>',
            'a',
            [
                'Text marked as inserted was kept as text, in one place.',
                'Text marked as deleted was left out, in one place.',
            ],
        ];
        yield 'hidden words' => [
            '<w:p>' . $words('a') . $run('<w:rPr><w:vanish/></w:rPr><w:t>b</w:t>') . '</w:p>',
            'a',
            ['Hidden text was left out, in one place.'],
        ];
        yield 'a formula' => [
            '<w:p><m:oMath><m:r><m:t>E=mc</m:t></m:r></m:oMath></w:p>',
            '<math xmlns="http://www.w3.org/1998/Math/MathML"><mi>E</mi><mo>=</mo><mi>m</mi><mi>c</mi></math>',
            [],
        ];
        yield 'contents as a field over several paragraphs' => [
            '<w:p>' .
            $run('<w:fldChar w:fldCharType="begin"/>') .
            $run('<w:instrText> TOC \\o </w:instrText>') .
            $run('<w:fldChar w:fldCharType="separate"/>') .
            $words('One 1') .
            '</w:p><w:p>' .
            $words('Two 2') .
            $run('<w:fldChar w:fldCharType="end"/>') .
            '</w:p>' .
            $p('text'),
            'text',
            ['A contents list was left out; contents are made here from the headings.'],
        ];
        yield 'contents in a content control' => [
            '<w:sdt><w:sdtPr><w:docPartObj><w:docPartGallery w:val="Table of Contents"/></w:docPartObj></w:sdtPr><w:sdtContent>' .
            $p('One 1') .
            '</w:sdtContent></w:sdt>' .
            $p('text'),
            'text',
            ['A contents list was left out; contents are made here from the headings.'],
        ];
        yield 'contents known by the style of their lines' => [
            $p('One 1', 'Toc') . $p('text'),
            'text',
            ['A contents list was left out; contents are made here from the headings.'],
        ];
        yield 'contents as a field of one element' => [
            '<w:p><w:fldSimple w:instr=" TOC \\o &quot;1-3&quot; ">' .
            $words('One 1') .
            '</w:fldSimple></w:p>' .
            $p('text'),
            'text',
            ['A contents list was left out; contents are made here from the headings.'],
        ];
        yield 'a link that would run' => [
            '<w:p><w:hyperlink r:id="bad">' . $words('press') . '</w:hyperlink></w:p>',
            'press',
            ['The address of one link could run as a program; only its words were kept.'],
        ];
        yield 'merged cells, a heading and a table in a cell' => [
            '<w:tbl><w:tr><w:tc><w:tcPr><w:gridSpan w:val="2"/></w:tcPr>' .
            $p('Head', 'H1') .
            '</w:tc></w:tr><w:tr><w:tc><w:tbl><w:tr><w:tc>' .
            $p('a') .
            '</w:tc><w:tc>' .
            $p('b') .
            '</w:tc></w:tr></w:tbl></w:tc></w:tr></w:tbl>',
            "<table>\n<tr><td colspan=\"2\">Head</td></tr>\n<tr><td>a | b</td></tr>\n</table>",
            [
                'A heading in a table was kept as words of its cell.',
                'A table within a table was kept as lines of its cell.',
            ],
        ];
        yield 'another file, to be put in by the program' => [
            $p('a') . '<w:altChunk r:id="x"/>',
            'a',
            ['One embedded object could not be kept.'],
        ];
        yield 'a page break within a paragraph' => [
            '<w:p>' . $words('a') . $run('<w:br w:type="page"/>') . $words('b') . '</w:p>',
            "a\n\n<div class=\"page-break\"></div>\n\nb",
            [],
        ];
        yield 'a section that begins on a new page' => [
            '<w:p><w:pPr><w:sectPr/></w:pPr>' . $words('a') . '</w:p>' . $p('b'),
            "a\n\n<div class=\"page-break\"></div>\n\nb",
            [],
        ];
        yield 'a bookmark in lines of code is their section' => [
            $p('One', 'H1') .
            $p('if (a)', 'Code') .
            '<w:p><w:pPr><w:pStyle w:val="Code"/></w:pPr><w:bookmarkStart w:id="1" w:name="gap"/>' .
            $words('  b();') .
            '</w:p><w:p><w:hyperlink w:anchor="gap">' .
            $words('there') .
            '</w:hyperlink></w:p>',
            "# One <a id=\"sec-one\"></a>\n\n```\nif (a)\n  b();\n```\n\n[there](<#sec-one>)",
            [],
        ];
        yield 'a name before a heading is the section’s, whatever signs it holds' => [
            '<w:bookmarkStart w:id="1" w:name="the-coast"/>' .
            $p('One', 'H1') .
            '<w:p><w:hyperlink w:anchor="the-coast">' .
            $words('there') .
            '</w:hyperlink></w:p>',
            "# One <a id=\"sec-one\"></a>\n\n[there](<#sec-one>)",
            [],
        ];
        yield 'before a paragraph it becomes a name that we allow' => [
            '<w:bookmarkStart w:id="1" w:name="the-coast"/>' . $p('text'),
            '<a id="the_coast"></a>text',
            ['A bookmark was renamed: its name is taken, or holds signs that a name cannot.'],
        ];
        yield 'lines of code are one block' => [
            $p('if (a)', 'Code') . $p('  b();', 'Code'),
            "```\nif (a)\n  b();\n```",
            [],
        ];
        yield 'a sign given by its number' => [
            '<w:p>' . $run('<w:sym w:font="Symbol" w:char="03B1"/>') . '</w:p>',
            'α',
            [],
        ];
    }

    /** @param list<string> $notes */
    #[DataProvider('losses')]
    public function testWhatCouldNotBeKeptIsReported(string $body, string $markdown, array $notes): void
    {
        $styles =
            self::STYLES .
            '<w:style w:type="paragraph" w:styleId="Cap"><w:name w:val="caption"/></w:style><w:style w:type="paragraph" w:styleId="Code"><w:name w:val="Source Code"/></w:style><w:style w:type="paragraph" w:styleId="Toc"><w:name w:val="toc 1"/></w:style>';
        $file = Packed::docx(
            $body,
            $styles,
            self::NUMBERING,
            '',
            ['bad' => 'javascript:alert(1)'],
            ['png' => Packed::PNG, 'emf' => 'emf'],
        );

        self::assertSame($markdown, Services::asMarkdown('x.docx', $file));
        self::assertSame($notes, Services::importNotes('x.docx', $file));
    }

    public function testHeadingsCountedByTheFilesOwnProgramGiveTheirNumbersToTheScheme(): void
    {
        $numbering =
            '<w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:start w:val="1"/><w:numFmt w:val="upperRoman"/><w:lvlText w:val="%1."/></w:lvl><w:lvl w:ilvl="1"><w:start w:val="1"/><w:numFmt w:val="upperLetter"/><w:lvlText w:val="%2)"/></w:lvl></w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num>';
        $heading = static fn(int $level, string $words): string => sprintf(
            '<w:p><w:pPr><w:pStyle w:val="H%d"/><w:numPr><w:ilvl w:val="%d"/><w:numId w:val="1"/></w:numPr></w:pPr><w:r><w:t>%s</w:t></w:r></w:p>',
            $level,
            $level - 1,
            $words,
        );
        $document = Services::formats()->read(
            'x.docx',
            Packed::docx(
                $heading(1, 'Coast') .
                    $heading(2, 'Lights') .
                    $heading(2, 'Fog') .
                    $heading(1, 'Logs') .
                    $heading(2, 'Gaps'),
                self::STYLES,
                $numbering,
            ),
        )->document;

        self::assertSame(['Coast', 'Lights', 'Fog', 'Logs', 'Gaps'], $document->headings());
        self::assertSame(['I', 'A', 'B', 'II', 'A'], $document->numbers());
    }

    public function testATitleIsTheDocumentsAndNoHeading(): void
    {
        $document = Services::formats()->read(
            'x.docx',
            Packed::docx(self::p('The Book', 'T') . self::p('One', 'H1') . self::p('text'), self::STYLES),
        )->document;
        self::assertSame('The Book', $document->titleBlock->title);
        self::assertSame(['One'], $document->headings());
    }

    public function testAPackageWithoutItsMainPartIsRefusedInASentence(): void
    {
        $this->expectExceptionMessageMatches('/^[A-Z“].*\.$/us');
        Services::formats()->read(
            'x.docx',
            Packed::zip(['[Content_Types].xml' => '<Types/>', 'word/nothing.xml' => '<a/>']),
        );
    }

    private static function p(string $words, string $style = ''): string
    {
        return '<w:p>' .
            ('' === $style ? '' : '<w:pPr><w:pStyle w:val="' . $style . '"/></w:pPr>') .
            '<w:r><w:t xml:space="preserve">' .
            $words .
            '</w:t></w:r></w:p>';
    }

    private static function item(string $words, int $list, int $level): string
    {
        return '<w:p><w:pPr><w:numPr><w:ilvl w:val="' .
            $level .
            '"/><w:numId w:val="' .
            $list .
            '"/></w:numPr></w:pPr><w:r><w:t>' .
            $words .
            '</w:t></w:r></w:p>';
    }
}
