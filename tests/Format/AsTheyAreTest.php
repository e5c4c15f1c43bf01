<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** Files as other programs and people write them: no word of them is lost, and none says something else than it did. */
final class AsTheyAreTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> file name, its bytes, and the document as Markdown */
    public static function files(): iterable
    {
        // How the HTML standard parses it (13.2.6.4.7, in body).
        yield 'a heading left open ends with the next' => [
            'x.html',
            '<h2>One<h3>Two</h3>words',
            "## One\n\n### Two\n\nwords",
        ];
        yield 'a heading closed by another’s end tag' => ['x.html', '<h2>One</h3><p>words', "## One\n\nwords"];
        yield 'emphasis astride' => [
            'x.html',
            '<h1>A</h1><p><b>bold <i>both</b> slanted</i>',
            "# A\n\n<strong>bold </strong><em><strong>both</strong> slanted</em>",
        ];
        yield 'words in a table but in no cell come before it' => [
            'x.html',
            '<h1>A</h1><table>stray<tr><td>cell</table>',
            "# A\n\nstray\n\n<table>\n<tr><td>cell</td></tr>\n</table>",
        ];
        yield 'attributes without quotes' => [
            'x.html',
            '<h1 id=a>A</h1><p><a href=#a>there</a>',
            "# A <a id=\"sec-a\"></a>\n\n[there](<#sec-a>)",
        ];
        yield 'a zero byte' => ['x.md', "# A\n\nwo\0rds", "# A\n\nwo\u{FFFD}rds"];
        yield 'a control character' => ['x.md', "# A\n\nwo\x07rds", "# A\n\nwords"];
        yield 'a reference to half a character' => [
            'x.md',
            "# A\n\n[words](x&#xD800;y) ![&#xDC00;](z)",
            "# A\n\n[words](<x%EF%BF%BDy>) <img src=\"z\" alt=\"\u{FFFD}\">",
        ];
        yield 'Markdown in UTF-16' => [
            'x.md',
            "\xFF\xFE" . mb_convert_encoding("# Über\n\nwords", 'UTF-16LE'),
            "# Über\n\nwords",
        ];
        yield 'HTML in UTF-16' => [
            'x.html',
            "\xFE\xFF" . mb_convert_encoding('<h1>Über</h1>words', 'UTF-16BE'),
            "# Über\n\nwords",
        ];
        yield 'OPML in UTF-16' => [
            'x.opml',
            "\xFF\xFE" .
            mb_convert_encoding(
                '<?xml version="1.0" encoding="UTF-16"?><opml><body><outline text="Über"/></body></opml>',
                'UTF-16LE',
            ),
            '# Über',
        ];
        // What generators of documentation put behind headings (common practice).
        yield 'a paragraph sign' => [
            'x.html',
            '<h2 id="a">Alpha<a class="headerlink" href="#a" title="Link here">¶</a></h2>',
            '## Alpha',
        ];
        yield 'a section sign' => ['x.html', '<h2 id="a">Alpha <a href="#a">§</a></h2>', '## Alpha'];
        yield 'a number sign before' => ['x.html', '<h2><a href="#alpha" id="alpha">#</a> Alpha</h2>', '## Alpha'];
        yield 'a chain' => ['x.html', '<h2 id="a">Alpha <a href="#a">🔗</a></h2>', '## Alpha'];
        yield 'an empty link with a drawing' => [
            'x.html',
            '<h2 id="a"><a class="anchor" href="#a"><svg><path d="M0"/></svg></a>Alpha</h2>',
            '## Alpha',
        ];
        yield 'a heading that is a link to itself' => ['x.html', '<h2 id="a"><a href="#a">Alpha</a></h2>', '## Alpha'];
        yield 'a link to elsewhere stays' => [
            'x.html',
            '<h2 id="a"><a href="https://example.org/">Alpha</a></h2>',
            '## [Alpha](<https://example.org/>)',
        ];
        yield 'a number sign that is a word' => ['x.html', '<h2>The sign #</h2>', '## The sign \#'];
        yield 'a number in parentheses' => [
            'x.html',
            '<h1>Odes</h1><h2>(1)</h2><h2>(2)</h2><h2>(3)</h2>',
            "# Odes\n\n## (1)\n\n## (2)\n\n## (3)",
        ];
        yield 'a note in a heading of Markdown' => [
            'x.md',
            "# A[^1]\n\nb\n\n[^1]: the note\n",
            "# A[^1]\n\nb\n\n[^1]: the note",
        ];
        yield 'a note in a heading of level 7' => [
            'x.html',
            '<div role="heading" aria-level="7">A<a href="#fn" role="doc-noteref">1</a></div><section role="doc-endnotes"><ol><li id="fn" role="doc-endnote">the note</li></ol></section>',
            "<div role=\"heading\" aria-level=\"7\">A<sup><a id=\"fnref-1\" href=\"#fn-1\" role=\"doc-noteref\">1</a></sup></div>\n\n<section role=\"doc-endnotes\">\n<ol>\n<li id=\"fn-1\" role=\"doc-endnote\"><p>the note <a href=\"#fnref-1\" role=\"doc-backlink\" aria-label=\"Back to the text\">↩</a></p></li>\n</ol>\n</section>",
        ];
        $style =
            '<w:style w:type="paragraph" w:styleId="H1"><w:name w:val="heading 1"/></w:style><w:style w:type="paragraph" w:styleId="Own"><w:name w:val="House head"/><w:basedOn w:val="H1"/></w:style>';
        $words = static fn(string $words, string $style = ''): string => '<w:p>' .
            ('' === $style ? '' : '<w:pPr><w:pStyle w:val="' . $style . '"/></w:pPr>') .
            '<w:r><w:t>' .
            $words .
            '</w:t></w:r></w:p>';
        yield 'a heading by the style that its style is based on' => [
            'x.docx',
            Packed::docx($words('Based', 'Own') . $words('text'), $style),
            "# Based\n\ntext",
        ];
        yield 'a heading whose words were deleted' => [
            'x.docx',
            Packed::docx(
                $words('One', 'H1') .
                    $words('a') .
                    '<w:p><w:pPr><w:pStyle w:val="H1"/></w:pPr><w:del><w:r><w:delText>Gone</w:delText></w:r></w:del></w:p>' .
                    $words('b'),
                $style,
            ),
            "# One\n\na\n\nb",
        ];
        yield 'a note in a heading of DOCX' => [
            'x.docx',
            Packed::docx(
                '<w:p><w:pPr><w:pStyle w:val="H1"/></w:pPr><w:r><w:t>One</w:t></w:r><w:r><w:footnoteReference w:id="2"/></w:r></w:p>',
                $style,
                '',
                '<w:footnote w:id="2"><w:p><w:r><w:t>the note</w:t></w:r></w:p></w:footnote>',
            ),
            "# One[^1]\n\n[^1]: the note",
        ];
        yield 'the text under a line of an outline is no Markdown' => [
            'x.opml',
            '<opml><body><outline text="One" _note="# no heading&#10;second line&#10;&#10;- no list"/></body></opml>',
            "# One\n\n\\# no heading\\\nsecond line\n\n\\- no list",
        ];
        yield 'cells that cover others leave the rest in their columns' => [
            'x.html',
            '<h1>A</h1><table><tr><td rowspan="2">a<td>b<td>c<tr><td colspan="2">d<tr><td>e<td>f<td>g</table>',
            "# A\n\n<table>\n<tr><td rowspan=\"2\">a</td><td>b</td><td>c</td></tr>\n<tr><td colspan=\"2\">d</td></tr>\n<tr><td>e</td><td>f</td><td>g</td></tr>\n</table>",
        ];
        yield 'struck words, lists in letters and a picture of half the width' => [
            'x.html',
            '<h1>A</h1><p><s>old</s> new<ol type=a start=3><li>c</ol><p><img src="" alt="" width="50%" role=presentation>',
            "# A\n\n<s>old</s> new\n\n<ol type=\"a\" start=\"3\">\n<li><p>c</p>\n</li>\n</ol>\n\n<img src=\"\" alt=\"\" role=\"presentation\" style=\"width: 50%\">",
        ];
        yield 'a span beyond the end of its table, over a row of nothing' => [
            'x.html',
            '<h1>A</h1><table><tr><td rowspan="9">a<td>b<tr><tr><td>c</table>',
            "# A\n\n<table>\n<tr><td rowspan=\"2\">a</td><td>b</td></tr>\n<tr><td>c</td></tr>\n</table>",
        ];
        yield 'formulas between dollars, and amounts of money' => [
            'x.md',
            "# A\n\nWhen \$x_1 = \\frac{a}{b}\$ costs \\\$5 or \$6 and \$7.\n\n\$\$\n\\sum_i\n= *y*\n\$\$\n\n\$\$ z \$\$\n",
            "# A\n\nWhen \$x_1 = \\frac{a}{b}\$ costs \\\$5 or \\\$6 and \\\$7.\n\n\$\$\n\\sum_i\n= *y*\n\$\$\n\n\$\$\nz\n\$\$",
        ];
        yield 'a formula that is never closed is words' => ['x.md', "# A\n\n\$\$\na\n\nb\n", "# A\n\n\\$\$ a\n\nb"];
        yield 'tasks done and to do, and how words are read' => [
            'x.html',
            '<h1>A</h1><ul><li><input type=checkbox checked disabled>lit<li><input type="checkbox">fill</ul><p><ruby>灯台<rt>とうだい</rt></ruby> <ruby>b<rp>[</rp><rt>c</rt><rp>]</rp></ruby>',
            "# A\n\n- ☑ lit\n- ☐ fill\n\n灯台(とうだい) b\\[c\\]",
        ];
        yield 'deleted and inserted words' => [
            'x.html',
            '<h1>A</h1><p>one <del>two</del> <ins>three</ins></p><del><p>a <b>b</b></p></del>',
            "# A\n\none <s>two</s> three\n\n<s>a </s><strong><s>b</s></strong>",
        ];
        yield 'anchor and marks behind a heading' => [
            'x.md',
            "# One {#first .unnumbered}\n\n## Two {-}\n\n[there](#first)\n",
            "# One <a id=\"sec-one\" class=\"unnumbered\"></a>\n\n## Two <a id=\"sec-2\" class=\"unnumbered\"></a>\n\n[there](<#sec-one>)",
        ];
        yield 'braces that are words' => ['x.md', "# A set {1, 2}\n", '# A set {1, 2}'];
        yield 'abstract of Markdown' => [
            'x.md',
            "---\ntitle: T\ndate: 2024-05-01\nabstract: In *short*.\n---\n# One\n",
            "In *short*.\n\n# One",
        ];
        yield 'pictures in every form of address' => [
            'x.html',
            "<h1>A</h1><p>a<img alt=jpg src='data:image/jpg;base64,AA A\nA'> <img alt=bmp src='data:image/bmp;base64,AAAA'> <img alt=plain src='data:image/svg+xml,%3Csvg/%3E'>",
            "# A\n\na<img src=\"data:image/jpeg;base64,AAAA\" alt=\"jpg\"> <img src=\"\" alt=\"bmp\"> <img src=\"data:image/svg+xml;base64,PHN2Zy8+\" alt=\"plain\">",
        ];
    }

    #[DataProvider('files')]
    public function testIsReadAsItIs(string $name, string $bytes, string $markdown): void
    {
        self::assertSame($markdown, Services::asMarkdown($name, $bytes));
    }

    public function testAHeadingThatIsAWholeTextStandsUnderIt(): void
    {
        $words = str_repeat('The keeper of the lamp wrote. ', 300);
        $read = Services::formats()->read('x.html', '<h1>' . $words . '</h1><p>next');
        self::assertStringEndsWith('…', $read->document->headings()[0]);
        self::assertSame(200, mb_strwidth($read->document->headings()[0]));
        self::assertSame(
            trim($words) . "\nnext",
            (string) preg_replace('/\n+/', "\n", $read->document->sectionAt(0)->body->plainText()),
        );
        self::assertStringContainsString('kept', implode(' ', $read->report->warnings()));
    }

    /** @return iterable<string, array{string, string, list<string>}> */
    public static function losses(): iterable
    {
        yield 'terms and readings' => [
            'x.html',
            '<h1>A</h1><dl><dt>Glass<dd>A barometer.</dl><p><ruby>灯<rt>とう</rt></ruby>',
            [
                'A list of terms and what they mean was kept as paragraphs. (GlassA barometer.)',
                'How one word is read, printed above it, stands in brackets after it.',
            ],
        ];
        yield 'direction' => [
            'x.html',
            '<h1>A</h1><p dir="rtl">שלום<p dir="rtl">Hello',
            ['One part says in which direction it is written; its words were kept, the direction was not. (Hello)'],
        ];
        yield 'language' => [
            'x.html',
            '<html lang="en"><h1>A</h1><p lang="fr">mot',
            [
                'One part is in another language than the document; its words were kept, the name of the language was not. (fr: mot)',
            ],
        ];
        yield 'inserted' => [
            'x.html',
            '<h1>A</h1><ins>words</ins>',
            ['Text marked as inserted was kept as text, in one place.'],
        ];
    }

    /**
     * The console says what the report on the screen says.
     *
     * @param list<string> $warnings
     */
    #[DataProvider('losses')]
    public function testWhatWasNotKeptIsTold(string $name, string $bytes, array $warnings): void
    {
        self::assertSame($warnings, Services::formats()->read($name, $bytes)->report->warnings());
    }
}
