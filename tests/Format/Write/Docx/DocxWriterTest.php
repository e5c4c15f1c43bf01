<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Write\Docx;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Numbering\LevelNumber;
use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Rendition\RenditionOptions;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Docx\ListNumbering;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/**
 * The parts of a DOCX file of ours: what ECMA-376 asks of them, and numbers that the reader's program counts as we do.
 */
final class DocxWriterTest extends TestCase
{
    /**
     * The order in which ECMA-376-1 lists what a paragraph (17.3.1), a run (17.3.2) and a level (17.9.6) may say, as
     * far as we say it.
     */
    private const ORDER = [
        'pPr' => [
            'pStyle',
            'keepNext',
            'keepLines',
            'pageBreakBefore',
            'numPr',
            'pBdr',
            'tabs',
            'spacing',
            'ind',
            'jc',
            'outlineLvl',
        ],
        'rPr' => ['rStyle', 'rFonts', 'b', 'i', 'noProof', 'color', 'sz', 'szCs', 'u', 'vertAlign', 'lang'],
        'lvl' => ['start', 'numFmt', 'lvlRestart', 'pStyle', 'suff', 'lvlText', 'lvlJc', 'pPr'],
        'style' => ['name', 'basedOn', 'next', 'uiPriority', 'semiHidden', 'qFormat', 'pPr', 'rPr', 'tblPr'],
        'tblPr' => ['tblStyle', 'tblW', 'tblInd', 'tblBorders', 'tblCellMar'],
        'sdtPr' => ['alias', 'tag', 'docPartObj'],
    ];

    public function testPartsSayWhatTheyMaySayInTheOrderOfTheStandard(): void
    {
        $document = Services::formats()->read(
            'x.html',
            (string) file_get_contents(dirname(__DIR__, 2) . '/all-kinds.html'),
        )->document;
        $file = Services::formats()->written('docx', self::withContents($document));
        $seen = [];
        foreach (['document', 'styles', 'numbering', 'footnotes', 'settings'] as $part) {
            $page = self::part($file, 'word/' . $part . '.xml');
            foreach (self::ORDER as $name => $order) {
                foreach ($page->getElementsByTagNameNS('*', $name) as $element) {
                    $children = array_map(
                        static fn(\DOMNode $child): string => (string) $child->localName,
                        iterator_to_array($element->childNodes),
                    );
                    $children = array_values(array_filter($children, static fn(string $child): bool => '' !== $child));
                    self::assertSame(
                        array_values(array_intersect($order, $children)),
                        $children,
                        $name . ' in ' . $part,
                    );
                    $seen[$name] = true;
                }
            }
        }
        self::assertCount(count(self::ORDER), $seen);
        foreach (
            [
                'Heading1',
                'Quote',
                'ListParagraph',
                'SourceCode',
                'Calculation',
                'Caption',
                'Hyperlink',
                'FootnoteText',
                'TOC1',
            ]
            as $used
        ) {
            self::assertStringContainsString(
                'w:styleId="' . $used . '"',
                (string) self::part($file, 'word/styles.xml')->saveXML(),
            );
        }
    }

    public function testEveryRelationshipLeadsToAPartAndEveryStyleIsThere(): void
    {
        $document = Services::formats()->read(
            'x.html',
            (string) file_get_contents(dirname(__DIR__, 2) . '/all-kinds.html'),
        )->document;
        $file = Services::formats()->written('docx', $document);
        $zip = self::opened($file);
        $styles = (string) $zip->getFromName('word/styles.xml');
        foreach (['document', 'footnotes'] as $part) {
            $xml = (string) $zip->getFromName('word/' . $part . '.xml');
            $relations = (string) $zip->getFromName('word/_rels/' . $part . '.xml.rels');
            preg_match_all('/ r:(?:id|embed)="([^"]+)"/', $xml, $used);
            foreach ($used[1] as $id) {
                self::assertStringContainsString(' Id="' . $id . '"', $relations);
            }
            preg_match_all('/Target="([^"]+)"\/>/', $relations, $inside);
            foreach ($inside[1] as $target) {
                self::assertNotFalse($zip->locateName('word/' . $target), $target);
            }
            preg_match_all('/<w:(?:p|r)Style w:val="([^"]+)"/', $xml, $named);
            foreach (array_unique($named[1]) as $style) {
                self::assertStringContainsString('w:styleId="' . $style . '"', $styles);
            }
        }
    }

    /** Programs take names for the same that differ in capitals only (common practice). */
    public function testBookmarksThatDifferInCapitalsOnlyAreToldApart(): void
    {
        $file = Services::formats()->written(
            'docx',
            Services::formats()->read(
                'x.html',
                '<h1>A</h1><p>The <a id="oil" class="bookmark"></a>oil, the <a id="Oil" class="bookmark"></a>Oil; ' .
                    '<a href="#oil">one</a>, <a href="#Oil">other</a>.</p>',
            )->document,
        );
        $xml = (string) self::opened($file)->getFromName('word/document.xml');
        preg_match_all('/<w:bookmarkStart w:id="\d+" w:name="(?!_)([^"]+)"/', $xml, $names);
        preg_match_all('/w:anchor="([^"]+)"/', $xml, $anchors);

        self::assertCount(2, array_unique(array_map(mb_strtolower(...), $names[1])));
        self::assertSame($names[1], $anchors[1]);
    }

    public function testALinkInANoteArrivesThoughNothingElseLinks(): void
    {
        $note = new Node(
            'footnote',
            content: [
                Node::text('see '),
                Node::text('Lamps', [Mark::link(LinkTarget::toSection(Sketch::id('Lamps')->value), null)]),
            ],
        );
        $again = self::again(Sketch::document('1 Logs, 1 Lamps'), Node::paragraph([Node::text('a'), $note]));
        $read = $again->sectionAt(0)->body->blocks[0]->content[1];

        self::assertSame('footnote', $read->type);
        self::assertSame(
            LinkTarget::toSection($again->outline->idAt(1)->value),
            $read->content[1]->findMark('link')?->attribute('href'),
        );
    }

    /** ECMA-376-1, 17.3.1.6: such a paragraph begins at the right. */
    public function testLinesThatRunFromTheRightSaySo(): void
    {
        $formats = Services::formats();
        $document = $formats->readAsIs('x.md', "# שלום\n\nעולם\n\nHello\n")->document;
        $xml = (string) self::opened($formats->written('docx', $document))->getFromName('word/document.xml');

        self::assertMatchesRegularExpression(
            '~<w:pStyle w:val="Heading1"/>(?:<w:numPr>.*?</w:numPr>)?<w:bidi/></w:pPr>~',
            $xml,
        );
        self::assertStringContainsString(
            '<w:p><w:pPr><w:bidi/></w:pPr><w:r><w:t xml:space="preserve">עולם</w:t></w:r></w:p>',
            $xml,
        );
        self::assertStringContainsString('<w:p><w:r><w:t xml:space="preserve">Hello</w:t></w:r></w:p>', $xml);
    }

    public function testListsKeepTheirDepth(): void
    {
        $list = Node::paragraph([Node::text('innermost')]);
        for ($depth = 7; $depth > 0; --$depth) {
            $item = new Node(
                'listItem',
                content: 7 === $depth ? [$list] : [Node::paragraph([Node::text('depth ' . $depth)]), $list],
            );
            $list =
                0 === $depth % 2
                    ? new Node('orderedList', ['start' => 1], [$item])
                    : new Node('bulletList', content: [$item]);
        }

        self::assertEquals(
            $list->toJson(),
            self::again(Sketch::document('1 Logs'), $list)->sectionAt(0)->body->blocks[0]->toJson(),
        );
    }

    /** The document with a text of its own in its first section, written and read again. */
    private static function again(Document $document, Node $block): Document
    {
        $changed = $document->withSection($document->sectionAt(0)->withBody(Body::of([$block])));

        return Services::formats()->readAsIs('x.docx', Services::formats()->written('docx', $changed))->document;
    }

    public function testNoSignBreaksTheParts(): void
    {
        $document = Sketch::document('1 Logs');
        $hostile = "a\x00\x08\u{FFFE}b <&\"'> ]]> \u{202E}c";
        $changed = $document->withSection(
            $document->sectionAt(0)->withBody(Body::of([Node::paragraph([Node::text($hostile)])])),
        );
        $page = self::part(Services::formats()->written('docx', $changed), 'word/document.xml');

        self::assertStringContainsString("b <&\"'> ]]> \u{202E}c", $page->textContent);
    }

    public function testNothingStaysOnTheDiskThoughTheReaderLeaves(): void
    {
        $folder = TemporaryFolder::made();
        $writing =
            'require $argv[1]; $writer = Stemmata\Tests\Support\Services::formats()->writerFor("docx"); foreach ($writer->write(Stemmata\Core\Rendition\Rendition::of(Stemmata\Tests\Support\Sketch::document("1 Logs"))) as $portion) { echo strlen($portion); break; }';
        $process = new Process(
            ['php', '-r', $writing, dirname(__DIR__, 4) . '/vendor/autoload.php'],
            env: ['TMPDIR' => $folder],
        );
        $process->mustRun();

        self::assertGreaterThan(1000, (int) $process->getOutput());
        self::assertSame(['.', '..'], scandir($folder));
    }

    public function testTheSameDocumentMakesTheSameFile(): void
    {
        $document = Sketch::document('1 Logs, 2 Gaps, 1 Lamps');

        self::assertSame(
            Services::formats()->written('docx', $document),
            Services::formats()->written('docx', $document),
        );
    }

    public function testContentsAreAFieldWithItsLinesInIt(): void
    {
        $file = Services::formats()->written(
            'docx',
            self::withContents(Sketch::document('0, 1 Logs, 2 Gaps, 1 Lamps')),
        );
        $xml = (string) self::part($file, 'word/document.xml')->saveXML();

        self::assertStringContainsString(
            '<w:instrText xml:space="preserve"> TOC \o "1-3" \h \z \u </w:instrText>',
            $xml,
        );
        preg_match_all(
            '~<w:pStyle w:val="TOC(\d)"/></w:pPr>.*?<w:hyperlink w:anchor="(_Sec_\w+)"[^>]*><w:r><w:t[^>]*>([^<]*)</w:t>~',
            $xml,
            $lines,
            \PREG_SET_ORDER,
        );
        self::assertSame(
            [['1', '1 Logs'], ['2', '1.1 Gaps'], ['1', '2 Lamps']],
            array_map(static fn(array $line): array => [$line[1], $line[3]], $lines),
        );
        foreach ($lines as $line) {
            self::assertStringContainsString(
                'w:name="' . $line[2] . '"/><w:r>',
                $xml,
                'the bookmark is around the words of the heading',
            );
        }
    }

    public function testNumbersAreRealOnesAndComeOutAsOurs(): void
    {
        $chapters = Scheme::of(
            [
                1 => new LevelNumber(NumberStyle::UpperRoman, 'Part'),
                2 => new LevelNumber(NumberStyle::Spelled, 'Chapter', false, '.', false),
            ],
            [1 => new LevelNumber(NumberStyle::UpperLetter, 'Appendix', false), 2 => new LevelNumber()],
        );
        $documents = [
            'decimal' => [Sketch::document('1 A, 2 B, 3 C, 2 D, 1 E, 2 F'), ['1', '1.1', '1.1.1', '1.2', '2', '2.1']],
            'skipped levels' => [
                Sketch::document('3 A, 1 B, 3 C, 3 D, 4 E, 2 F, 1 G, 2 H'),
                ['1', '2', '2.1', '2.2', '2.2.1', '2.3', '3', '3.1'],
            ],
            'chapters that count on through parts' => [
                Sketch::document('1 A, 2 B, 2 C, 1 D, 2 E')->withSetup(
                    Sketch::document('1 A')->setup->withNumbering($chapters),
                ),
                ['Part I', 'Chapter One', 'Chapter Two', 'Part II', 'Chapter Three'],
            ],
            'unnumbered, and appendices' => [
                self::flagged(Sketch::document('1 A, 1 B, 2 C, 1 D, 2 E, 1 F, 2 G'), '1001044'),
                ['', '1', '1.1', '', '', 'Appendix A', 'A.1'],
            ],
        ];
        foreach ($documents as $case => [$document, $numbers]) {
            self::assertSame($numbers, $document->numbers(), $case);
            $file = Services::formats()->written('docx', $document);
            self::assertSame($numbers, Services::formats()->readAsIs('x.docx', $file)->document->numbers(), $case);
            preg_match_all(
                '~<w:pStyle w:val="Heading\d"/>.*?</w:p>~',
                (string) self::part($file, 'word/document.xml')->saveXML(),
                $headings,
            );
            foreach ($headings[0] as $heading) {
                self::assertMatchesRegularExpression(
                    '~<w:t[^>]*>[A-H]</w:t>~',
                    $heading,
                    $case . ': no number stands among the words',
                );
            }
        }
    }

    public function testABranchKeepsItsNumbersUnlessItIsTakenOver(): void
    {
        $branch = Sketch::branch(Sketch::document('1 Logs, 2 Gaps, 2 Ink, 3 Blots, 1 Lamps'), Sketch::id('Ink'));
        $kept = Services::formats()->written('docx', $branch);
        $counted = Services::formats()->written('docx', $branch, new RenditionOptions(keepsNumbers: false));

        self::assertSame(['1.2', '1.2.1'], self::printed($kept));
        self::assertSame(['1', '1.1'], self::printed($counted));
        self::assertStringNotContainsString(
            'w:val="Title"',
            (string) self::part($kept, 'word/document.xml')->saveXML(),
            'its first heading is its title',
        );
    }

    public function testRandomDocumentsAreSoundForPandocAndKeepTheirNumbers(): void
    {
        for ($seed = 1; $seed <= 12; ++$seed) {
            $document = (new RandomDocuments(new Randomizer(new Mt19937($seed)), new CountingIds()))->document(30);
            $file = Services::formats()->written('docx', $document);
            self::assertSame(
                $document->numbers(),
                Services::formats()->readAsIs('x.docx', $file)->document->numbers(),
                'seed ' . $seed,
            );
            file_put_contents($path = Foreign::file('docx'), $file);
            $words = (string) preg_replace(
                '/[^\p{L}]+/u',
                '',
                Foreign::run(['pandoc', '-f', 'docx', '-t', 'plain', '--wrap=none', $path]),
            );
            foreach ($document->sections() as $section) {
                self::assertStringContainsString(
                    mb_substr((string) preg_replace('/[^\p{L}]+/u', '', $section->heading->plainText()), 0, 200),
                    $words,
                );
            }
        }
    }

    /** @return list<string> the numbers that a program prints before the headings */
    private static function printed(string $file): array
    {
        $numbering = ListNumbering::read((string) self::part($file, 'word/numbering.xml')->saveXML());
        preg_match_all(
            '~<w:pStyle w:val="Heading(\d)"/>(?:<w:numPr><w:ilvl w:val="\d"/><w:numId w:val="(\d+)"/>)?~',
            (string) self::part($file, 'word/document.xml')->saveXML(),
            $headings,
            \PREG_SET_ORDER,
        );
        $printed = [];
        foreach ($headings as $heading) {
            $instance = $heading[2] ?? '1';
            $numbering->next($instance, (int) $heading[1] - 1);
            $printed[] = $numbering->printed($instance, (int) $heading[1] - 1);
        }

        return $printed;
    }

    private static function withContents(Document $document): Document
    {
        $made = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(1, 3, true, 'Contents'),
        ))->applyTo($document);
        self::assertInstanceOf(Applied::class, $made);

        return $made->document;
    }

    private static function flagged(Document $document, string $flags): Document
    {
        return $document->withOutline(Outline::packed($document->outline->ids, $document->outline->levels, $flags));
    }

    private static function part(string $file, string $name): \DOMDocument
    {
        $page = new \DOMDocument();
        self::assertTrue($page->loadXML((string) self::opened($file)->getFromName($name)));

        return $page;
    }

    private static function opened(string $file): \ZipArchive
    {
        file_put_contents($path = Foreign::file('docx'), $file);
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($path));

        return $zip;
    }
}
