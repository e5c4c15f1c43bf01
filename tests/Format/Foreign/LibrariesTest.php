<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Foreign;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Services;

/**
 * Files made by python-docx and odfpy (Debian packages python3-docx and python3-odf), with what office programs put
 * into files.
 */
final class LibrariesTest extends TestCase
{
    private const DOCX = <<<'PY'
    import sys
    from docx import Document
    from docx.oxml import parse_xml, OxmlElement
    from docx.oxml.ns import nsdecls, qn
    from docx.shared import Pt
    d = Document()
    d.core_properties.title = 'Not this one'
    d.core_properties.author = 'Ines Corvale'
    def xml(paragraph, text):
        for element in parse_xml('<w:p %s>%s</w:p>' % (nsdecls('w'), text)):
            paragraph._p.append(element)
    d.add_paragraph('Lamp oil', style='Title')
    d.add_paragraph('A report', style='Subtitle')
    field = d.add_paragraph(style='Normal')
    xml(field, '<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> TOC \\o "1-3" </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r><w:r><w:t>1 Oil 3</w:t></w:r>')
    entry = d.add_paragraph('1.1 Colza 4')
    xml(entry, '<w:r><w:fldChar w:fldCharType="end"/></w:r>')
    for level in range(1, 10):
        d.add_paragraph('Level %d' % level, style='Heading %d' % level)
    d.add_heading('', 1)
    own = d.styles.add_style('My Section', 1)
    own.element.get_or_add_pPr().append(parse_xml('<w:outlineLvl %s w:val="1"/>' % nsdecls('w')))
    d.add_paragraph('Of a style of its own', style='My Section')
    direct = d.add_paragraph('By its outline level only')
    direct._p.get_or_add_pPr().append(parse_xml('<w:outlineLvl %s w:val="2"/>' % nsdecls('w')))
    bold = d.add_paragraph(style='Heading 2')
    bold.add_run('All ').bold = True
    bold.add_run('bold').bold = True
    d.add_paragraph('one', style='List Number')
    d.add_paragraph('two', style='List Number')
    d.add_paragraph('dot', style='List Bullet')
    d.add_paragraph('A line quoted.', style='Quote')
    table = d.add_table(rows=2, cols=2)
    table.cell(0, 0).text = '1.1 Gauges'
    table.cell(0, 1).paragraphs[0].style = d.styles['Heading 1']
    table.cell(0, 1).paragraphs[0].add_run('2 No heading')
    p = d.add_paragraph('Kept ')
    xml(p, '<w:del w:id="1" w:author="a"><w:r><w:delText>deleted</w:delText></w:r></w:del><w:ins w:id="2" w:author="a"><w:r><w:t>inserted </w:t></w:r></w:ins><w:r><w:rPr><w:vanish/></w:rPr><w:t>hidden</w:t></w:r><w:r><w:commentReference w:id="0"/></w:r>')
    xml(p, '<w:bookmarkStart w:id="5" w:name="the_place"/><w:r><w:t>here</w:t></w:r><w:bookmarkEnd w:id="5"/><w:hyperlink w:anchor="the_place" w:tooltip="back"><w:r><w:t>there</w:t></w:r></w:hyperlink>')
    xml(p, '<w:fldSimple w:instr=" REF the_place \\h "><w:r><w:t>by field</w:t></w:r></w:fldSimple><w:r><w:br w:type="page"/></w:r><w:r><w:t>after the break</w:t></w:r>')
    d.sections[0].header.paragraphs[0].text = '1 A running head'
    d.save(sys.argv[1])
    PY;

    private const ODT = <<<'PY'
    import sys
    from odf.opendocument import OpenDocumentText
    from odf.style import Style, TextProperties, ParagraphProperties
    from odf.text import H, P, A, List, ListItem, Bookmark, BookmarkRef, Span, Note, NoteCitation, NoteBody, TableOfContent, IndexBody, S, Tab
    from odf.table import Table, TableRow, TableCell
    from odf.dc import Title, Creator
    d = OpenDocumentText()
    d.meta.addElement(Title(text='Lamp oil'))
    bold = Style(name='B', family='text'); bold.addElement(TextProperties(fontweight='bold')); d.automaticstyles.addElement(bold)
    big = Style(name='Big', family='paragraph'); big.addElement(ParagraphProperties(textalign='center')); big.addElement(TextProperties(fontsize='20pt', fontweight='bold')); d.automaticstyles.addElement(big)
    page = Style(name='Pg', family='paragraph'); page.addElement(ParagraphProperties(breakbefore='page')); d.automaticstyles.addElement(page)
    toc = TableOfContent(name='t'); body = IndexBody(); body.addElement(P(text='1 Oil 3')); toc.addElement(body); d.text.addElement(toc)
    for level in range(1, 11):
        d.text.addElement(H(outlinelevel=level, text='Level %d' % level))
    h = H(outlinelevel=2); h.addElement(Bookmark(name='marked')); h.addText('Marked'); d.text.addElement(h)
    p = P(); p.addText('Words '); p.addElement(Span(stylename='B', text='bold')); p.addElement(S(c=2)); p.addElement(Bookmark(name='the_place')); p.addText('here')
    note = Note(noteclass='footnote', id='n'); note.addElement(NoteCitation(text='1')); nb = NoteBody(); nb.addElement(P(text='A note.')); note.addElement(nb); p.addElement(note)
    d.text.addElement(p)
    q = P(stylename='Pg'); a = A(href='#the_place', title='back'); a.addText('there'); q.addElement(a); b = A(href='#marked'); b.addText('up'); q.addElement(b); r = BookmarkRef(refname='the_place', referenceformat='text'); r.addText('by field'); q.addElement(r); d.text.addElement(q)
    l = List(); i = ListItem(); i.addElement(P(text='one')); inner = List(); j = ListItem(); j.addElement(P(text='inner')); inner.addElement(j); i.addElement(inner); l.addElement(i); d.text.addElement(l)
    t = Table(); row = TableRow(); c = TableCell(); c.addElement(P(text='1.1 Gauges')); row.addElement(c); c = TableCell(numbercolumnsrepeated=2); c.addElement(P(text='x')); row.addElement(c); t.addElement(row); d.text.addElement(t)
    d.text.addElement(P(stylename='Big', text='Looks like one'))
    d.text.addElement(P(text='And is none, for nobody said so.'))
    d.save(sys.argv[1])
    PY;

    public function testReadsWhatOfficeProgramsPutIntoADocx(): void
    {
        $bytes = Foreign::writtenByPython(self::DOCX, 'docx');
        $read = Services::formats()->readAsIs('x.docx', $bytes);
        $document = $read->document;

        self::assertSame(
            ['Lamp oil', 'A report', 'Ines Corvale'],
            [$document->titleBlock->title, $document->titleBlock->subtitle, $document->titleBlock->author],
        );
        $levels = array_map(static fn(int $level): array => [$level, 'Level ' . $level], range(1, 9));
        self::assertSame(
            [...$levels, [1, ''], [2, 'Of a style of its own'], [3, 'By its outline level only'], [2, 'All bold']],
            Foreign::headings($document),
        );
        self::assertSame(
            self::headingsByPython($bytes),
            array_values(
                array_filter(
                    Foreign::headings($document),
                    static fn(array $heading): bool => !str_contains($heading[1], 'own') &&
                        !str_contains($heading[1], 'only'),
                ),
            ),
        );
        $text = Services::formats()->written('md', $document);
        self::assertStringContainsString("1. one\n2. two\n\n<!-- -->\n\n- dot\n\n> A line quoted.", $text);
        self::assertStringContainsString(
            'Kept inserted <a id="the_place"></a>here<a class="bookmark-end" data-of="the_place"></a>[there](<#the_place> "back")[by field](<#the_place>)',
            $text,
        );
        self::assertStringContainsString("<div class=\"page-break\"></div>\n\nafter the break", $text);
        foreach (['deleted', 'hidden', 'running head', 'Colza 4', 'Oil 3', '**'] as $gone) {
            self::assertStringNotContainsString($gone, $text);
        }
        $said = array_column($read->report->lines, 'sentence');
        foreach (
            [
                'A contents list was left out; contents are made here from the headings.',
                'Text marked as deleted was left out, in one place.',
                'Text marked as inserted was kept as text, in one place.',
                'Hidden text was left out, in one place.',
                'One comment was left out.',
                'A heading in a table was kept as words of its cell.',
            ]
            as $sentence
        ) {
            self::assertContains($sentence, $said);
        }
    }

    public function testReadsWhatOfficeProgramsPutIntoAnOdt(): void
    {
        $read = Services::formats()->readAsIs('x.odt', Foreign::writtenByPython(self::ODT, 'odt'));
        $document = $read->document;

        self::assertSame('Lamp oil', $document->titleBlock->title);
        $levels = array_map(static fn(int $level): array => [min(9, $level), 'Level ' . $level], range(1, 10));
        self::assertSame([...$levels, [2, 'Marked']], Foreign::headings($document));
        self::assertSame(['there' => 'Marked', 'up' => 'Marked', 'by field' => 'Marked'], Foreign::links($document));
        $text = Services::formats()->written('md', $document);
        self::assertStringContainsString('Words **bold**  <a id="the_place"></a>here[^1]', $text);
        self::assertStringContainsString('<div class="page-break"></div>', $text);
        self::assertStringContainsString("- one\n\n  - inner", $text);
        self::assertStringContainsString('1.1 Gauges', $text);
        self::assertStringNotContainsString('Oil 3', $text);
        self::assertContains(
            'One heading was deeper than level 9 and stands at level 9.',
            array_column($read->report->lines, 'sentence'),
        );
        $groups = \Stemmata\Core\LikelyHeading\LikelyHeadings::in($document);
        self::assertSame(['Looks like one'], array_column($groups[0]->lines ?? [], 'text'));
    }

    /** @return list<array{int, string}> as python-docx reads them */
    private static function headingsByPython(string $docx): array
    {
        file_put_contents($file = Foreign::file('docx'), $docx);
        $json = json_decode(
            Foreign::run(
                ['/usr/bin/python3', '-', $file],
                <<<'PY'
                import sys, json
                from docx import Document
                print(json.dumps([[int(p.style.name.split()[-1]), p.text] for p in Document(sys.argv[1]).paragraphs if p.style.name.startswith('Heading ')]))
                PY
                ,
            ),
            true,
        );
        $headings = [];
        foreach (is_array($json) ? $json : [] as $heading) {
            if (is_array($heading) && is_int($heading[0] ?? null) && is_string($heading[1] ?? null)) {
                $headings[] = [$heading[0], $heading[1]];
            }
        }

        return $headings;
    }
}
