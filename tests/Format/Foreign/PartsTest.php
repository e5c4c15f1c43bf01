<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Foreign;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Text\ListStyle;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\TexToMathMl;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\PandocParts;
use Stemmata\Tests\Support\Services;

/** What pandoc 2.17 (Debian package pandoc) finds in a file in its own form, and what we read of it, part by part. */
final class PartsTest extends TestCase
{
    private const SOURCE = __DIR__ . '/parts.html';
    private const LIST_STYLES = [
        'LowerAlpha' => ListStyle::LowerLetter,
        'UpperAlpha' => ListStyle::UpperLetter,
        'LowerRoman' => ListStyle::LowerRoman,
        'UpperRoman' => ListStyle::UpperRoman,
    ];

    /** @param list<string> $options */
    #[TestWith(['html', ['--mathml']])]
    #[TestWith(['docx', []])]
    #[TestWith(['odt', []])]
    #[TestWith(['epub', ['-t', 'epub3', '--mathml']])]
    public function testReadsTheSamePartsAsPandoc(string $format, array $options): void
    {
        $bytes = Foreign::written(self::SOURCE, $format, $options);
        $document = Services::formats()->read('parts.' . $format, $bytes)->document;
        $theirs = PandocParts::of($bytes, $format);

        $source = PandocParts::of((string) file_get_contents(self::SOURCE), 'html');
        self::assertSame(self::signsOf($source), self::formulas($document), 'formulas; pandoc reads none of ODT');
        self::assertSame($source->spans, self::spans($document), 'cells that span others; pandoc reads none of ODT');
        self::assertSame($theirs->struck, self::marked($document, 'struck'), 'struck words');
        self::assertSame($theirs->subscripts, self::marked($document, 'subscript'), 'words below the line');
        self::assertSame($source->lists, self::listStyles($document), 'how lists are counted');
        self::assertStringContainsString('نص من اليمين إلى اليسار.', self::plain($document));
    }

    /**
     * TeX that a page leaves to a script, and TeX between dollars.
     *
     * @param list<string> $options
     */
    #[TestWith(['html', 'html', ['--mathjax']])]
    #[TestWith(['markdown', 'md', []])]
    public function testReadsTheTexThatPandocWrites(string $format, string $ending, array $options): void
    {
        $document = Services::formats()->read('parts.' . $ending, Foreign::written(self::SOURCE, $format, $options))
            ->document;

        self::assertSame(
            self::signsOf(PandocParts::of((string) file_get_contents(self::SOURCE), 'html')),
            self::formulas($document),
        );
    }

    #[TestWith(['html', false])]
    #[TestWith(['docx', true])]
    #[TestWith(['odt', true])]
    #[TestWith(['epub', false])]
    public function testNotesKeepTheirEmphasisAndTheirLinks(string $format, bool $isReadByPandoc): void
    {
        $source = Foreign::file('md');
        file_put_contents($source, "# A\n\nWords.^[With *emphasis* and a [link](https://example.org/log).]\n");
        $bytes = Foreign::written($source, $format);
        $document = Services::formats()->read('x.' . $format, $bytes)->document;

        self::assertSame(['With *emphasis* and a [link].'], self::notes($document));
        self::assertSame($isReadByPandoc ? self::notes($document) : [], PandocParts::of($bytes, $format)->notes);
    }

    /** What we write of all this is read again as the same, and pandoc finds the same formulas in it. */
    #[TestWith(['html', 'html'])]
    #[TestWith(['md', 'markdown'])]
    #[TestWith(['docx', 'docx'])]
    public function testWritesThemSoThatNothingIsLost(string $ending, string $reads): void
    {
        $formats = Services::formats();
        $document = $formats->read('parts.html', (string) file_get_contents(self::SOURCE))->document;
        $written = $formats->written($ending, $document);
        $again = $formats->read('parts.' . $ending, $written)->document;

        self::assertSame($formats->written('html', $document), $formats->written('html', $again));
        // Of Markdown pandoc takes MathML for markup that it does not read.
        self::assertSame(
            'md' === $ending ? [] : self::formulas($document),
            self::signsOf(PandocParts::of($written, $reads)),
        );
    }

    public function testTexIsWrittenAsFormulasOfOfficeDocuments(): void
    {
        $tex =
            '\\binom{n}{k} = \\frac{n!}{k!(n-k)!} \\le \\left(\\frac{en}{k}\\right)^k,\\ \\hat{x} \\in \\{1, \\dots, n\\}';
        $formats = Services::formats();
        $document = $formats->read(
            'x.md',
            "# A\n\nLet $" . $tex . "$ hold.\n\n$$\n\\begin{pmatrix} a & b \\\\ c & d \\end{pmatrix}\n$$\n",
        )->document;
        $math = PandocParts::of($formats->written('docx', $document), 'docx')->formulas;

        self::assertCount(2, $math);
        self::assertSame(self::signs(self::words($tex)), self::signs(self::words($math[0])));
        self::assertSame('abcd', self::signs(self::words($math[1])));
        self::assertStringContainsString($tex, $formats->written('md', $document));
        self::assertStringContainsString(
            '<annotation encoding="application/x-tex">' . str_replace('&', '&amp;', $tex),
            $formats->written('html', $document),
        );
    }

    /** Each kind of part, written as an office document: pandoc finds the same signs in the same order, ours too. */
    public function testFormulasOfEveryKindAreFoundInOurOfficeDocuments(): void
    {
        $formulas = [
            '\\sqrt[3]{x+1}',
            'x_i^2 + y_{ij}',
            '\\sum_{i=1}^{n} i^2',
            '\\int_0^1 f(t)\\,dt',
            '\\lim_{x \\to 0} g(x)',
            '\\overbrace{a+b}^{n}',
            '\\underbrace{c+d}_{m}',
            '\\overline{AB} + \\underline{c}',
            '\\vec{v} \\cdot \\dot{w}',
            '\\left\\{\\begin{matrix} a & b \\\\ c & d \\end{matrix}\\right.',
            '\\left|\\frac{a}{b}\\right|',
            '\\begin{aligned} a &= b \\\\ c &= d \\end{aligned}',
            '\\sin x + \\mathrm{max}\\, y',
            '\\mathbb{R} \\subset \\mathcal{L}',
            '\\text{if } n',
            '\\boxed{k}',
            '{}_{6}^{14}C',
        ];
        $formats = Services::formats();
        $written = $formats->written(
            'docx',
            $formats->read('x.md', "# A\n\n" . implode("\n\n", array_map(self::inDollars(...), $formulas)) . "\n")
                ->document,
        );
        $expected = array_map(static fn(string $tex): string => self::signs(self::words($tex)), $formulas);

        self::assertSame($expected, self::signsOf(PandocParts::of($written, 'docx')));
        self::assertSame($expected, self::formulas($formats->read('x.docx', $written)->document));
    }

    private static function inDollars(string $tex): string
    {
        return '$' . $tex . '$';
    }

    /** @return list<string> */
    private static function signsOf(PandocParts $parts): array
    {
        return array_map(static fn(string $tex): string => self::signs(self::words($tex)), $parts->formulas);
    }

    private static function words(string $tex): string
    {
        return Formula::words(TexToMathMl::find($tex) ?? self::fail('Not read as TeX: ' . $tex));
    }

    /** Letters and digits in their order: programs differ in blanks and in signs that look alike. */
    private static function signs(string $words): string
    {
        $plain = \Normalizer::normalize($words, \Normalizer::FORM_KC);
        self::assertIsString($plain);

        return (string) preg_replace('/[^\p{L}\p{N}]/u', '', $plain);
    }

    /** @return list<string> */
    private static function formulas(Document $document): array
    {
        return array_map(
            static fn(Node $node): string => self::signs(
                Formula::isMathMl($node->textAttribute('source'))
                    ? Formula::words($node->textAttribute('source'))
                    : self::words($node->textAttribute('source')),
            ),
            self::nodes($document, ['formula', 'formulaBlock']),
        );
    }

    /** @return list<string> */
    private static function listStyles(Document $document): array
    {
        $styles = [];
        foreach (self::nodes($document, ['orderedList']) as $list) {
            $style = ListStyle::of($list->attribute('style'));
            $start = $list->attribute('start');
            self::assertIsInt($start);
            $styles[] =
                (null === $style ? 'Decimal' : (string) array_search($style, self::LIST_STYLES, true)) . ' ' . $start;
        }

        return $styles;
    }

    /** @return list<string> */
    private static function spans(Document $document): array
    {
        return array_values(
            array_filter(
                array_map(static function (Node $cell): string {
                    [$rows, $columns] = [$cell->attribute('rows') ?? 1, $cell->attribute('columns') ?? 1];
                    self::assertIsInt($rows);
                    self::assertIsInt($columns);

                    return 1 === $rows * $columns ? '' : $cell->plainText() . ' ' . $rows . 'x' . $columns;
                }, self::nodes($document, ['tableCell'])),
            ),
        );
    }

    /** @return list<string> */
    private static function marked(Document $document, string $mark): array
    {
        return array_values(
            array_map(
                static fn(Node $node): string => $node->text,
                array_filter(
                    self::nodes($document, ['text']),
                    static fn(Node $node): bool => null !== $node->findMark($mark),
                ),
            ),
        );
    }

    /** @return list<string> with emphasis between asterisks and links in brackets */
    private static function notes(Document $document): array
    {
        return array_map(
            static fn(Node $note): string => implode(
                '',
                array_map(
                    static fn(Node $part): string => match (true) {
                        null !== $part->findMark('link') => '[' . $part->text . ']',
                        null !== $part->findMark('emphasis') => '*' . $part->text . '*',
                        default => $part->text,
                    },
                    $note->content,
                ),
            ),
            self::nodes($document, ['footnote']),
        );
    }

    private static function plain(Document $document): string
    {
        return implode(
            "\n",
            array_map(static fn($section): string => $section->body->plainText(), [...$document->sections()]),
        );
    }

    /**
     * @param list<string> $types
     *
     * @return list<Node>
     */
    private static function nodes(Document $document, array $types): array
    {
        $nodes = [];
        foreach ($document->sections() as $section) {
            foreach ($section->body->walk() as $node) {
                if (in_array($node->type, $types, true)) {
                    $nodes[] = $node;
                }
            }
        }

        return $nodes;
    }
}
