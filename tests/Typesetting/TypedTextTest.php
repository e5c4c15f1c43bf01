<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\Markup\TypstValue;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Typeset;
use Stemmata\Typesetting\Typesetter;

/** Whatever is typed comes out as the same text, and never as a command of the engine. */
final class TypedTextTest extends TestCase
{
    private const PIECES = [
        '#let x = 1',
        '#import "book.typ"',
        '#read("/etc/passwd")',
        '$x^2$',
        '@ref',
        '<label>',
        '*bold*',
        '_emph_',
        '`raw`',
        '= Heading',
        '- item',
        '+ item',
        '/ term: x',
        '// comment',
        '/* comment',
        '*/',
        '\\',
        '\\u{1F600}',
        '"',
        "'",
        '[',
        ']',
        '{',
        '}',
        '(',
        ')',
        ';',
        '#',
        '~',
        '--',
        '...',
        '\\"',
        '";#panic("x");"',
        ']#panic()[',
        'https://example.org/a?b=c#d',
        'naïve',
        'Ärger',
        'e' . "\u{301}" . 'a',
        'Ωμέγα',
        'Привет',
        '日本語',
        '한국어',
        '&amp;',
        '%d',
        '0x1F',
        '1e5',
        '42pt',
    ];

    #[TestDox('Random signs of markup, in headings, texts, notes and tables, come out to the letter')]
    public function testRandomSignsComeOutToTheLetter(): void
    {
        $engine = new OneShotEngine();
        for ($seed = 1, $runs = Dose::of(1000, 12); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $texts = array_map(static fn(): string => self::text($random), range(1, 8));
            $printed = self::printed(
                self::typeset(
                    $engine,
                    $texts[0],
                    ...array_map(
                        static fn(string $text): Node => Node::paragraph([Node::text($text)]),
                        array_slice($texts, 1),
                    ),
                ),
            );
            foreach ($texts as $text) {
                self::assertStringContainsString(PrintedPages::bare($text), $printed, 'seed ' . $seed);
            }
        }
    }

    public function testScriptsFromRightToLeftAndSignsOfPicturesAreAllThere(): void
    {
        foreach (['שלום עולם', 'مرحبا بالعالم', '😀🌊👩‍🔬', 'नमस्ते'] as $text) {
            $printed = self::printed(
                self::typeset(new OneShotEngine(), 'Words', Node::paragraph([Node::text($text)])),
                '-raw',
            );
            $signs = mb_str_split(PrintedPages::bare($text));
            foreach ($signs as $sign) {
                self::assertStringContainsString($sign, $printed, $text);
            }
        }
    }

    public function testATitleOfOneLongWordIsPrinted(): void
    {
        $word = str_repeat('Wolkenbank', 40);
        self::assertStringContainsString($word, self::printed(self::typeset(new OneShotEngine(), $word)));
    }

    public function testAWordOfTenThousandLettersStaysOnThePage(): void
    {
        $word = str_repeat('Wolkenbank', 1000);
        $typeset = self::typeset(new OneShotEngine(), 'Words', Node::paragraph([Node::text($word)]));

        // Page numbers stand within it, where it runs on.
        $pages = $typeset->map->pages();
        self::assertGreaterThan(1, $pages);
        self::assertGreaterThanOrEqual(1000 - $pages, substr_count(self::printed($typeset), 'Wolkenbank'));
    }

    public function testAPictureThatCannotBeDrawnKeepsNobodyFromTheirPages(): void
    {
        $broken = new Picture('png', "\x89PNG\r\n\x1a\nnothing of the kind");
        $figure = new Node(
            'figure',
            ['src' => $broken->dataAddress(), 'alt' => 'A broken one'],
            [Node::text('Broken.')],
        );
        $typeset = self::typeset(new OneShotEngine(), 'Words', $figure, Node::paragraph([Node::text('After it.')]));

        self::assertStringContainsString('Afterit.', self::printed($typeset));
        self::assertSame(['picture-left-blank'], array_column($typeset->findings, 'rule'));
    }

    public function testPartsThatStandWithinOthersAreSet(): void
    {
        $break = new Node('pageBreak');
        $words = Node::paragraph([Node::text('Words.')]);
        $typeset = self::typeset(
            new OneShotEngine(),
            'Words',
            $break,
            new Node('quotation', content: [$words, $break, $words]),
            new Node('bulletList', content: [new Node('listItem', content: [$words, $break, $words])]),
            Node::formula(
                '\\frac{a}{b} + \\sqrt[3]{x_1^2} = \\left(\\begin{matrix} 1 & 2 \\\\ 3 & 4 \\end{matrix}\\right)',
                true,
            ),
            Node::formula('\\hat{x} \\overline{yz} \\underbrace{a}_{b} \\mathbb{R} \\sin ; , ( "#', true),
            Node::formula(
                '<math xmlns="http://www.w3.org/1998/Math/MathML"><mmultiscripts><mi>C</mi><mn>6</mn><none/><mprescripts/><mn>1</mn><mo>#</mo></mmultiscripts><mtext>"];#panic</mtext></math>',
                true,
            ),
        );

        // The second formula holds a sign that none may hold: it is printed by its source, and told.
        self::assertSame(
            ['unread-formula'],
            array_map(static fn(Finding $finding): string => $finding->rule, $typeset->findings),
        );
        self::assertGreaterThan(3, $typeset->map->pages());
    }

    public function testAValueIsWrittenAsTheEngineReadsIt(): void
    {
        self::assertSame('"a\\"b\\\\c\\nd"', TypstValue::string("a\"b\\c\nd\x00"));
        self::assertSame('()', TypstValue::of([]));
        self::assertSame('("a",)', TypstValue::of(['a']));
        self::assertSame('("x": 1, "y": none)', TypstValue::of(['x' => 1, 'y' => null]));
        self::assertSame('true', TypstValue::of(true));
        self::assertSame('2.500000', TypstValue::of(2.5));
        self::assertSame('', TypstValue::words(''));
        self::assertSame('#"a b";', TypstValue::words('a b'));
        self::assertSame(37, substr_count(TypstValue::words(str_repeat('a', 37) . ' b'), '"a"'));
    }

    private static function text(Randomizer $random): string
    {
        $text = '';
        for ($index = 0, $count = $random->getInt(3, 30); $index < $count; ++$index) {
            $text .=
                (0 === $random->getInt(0, 2) ? '' : ' ') .
                (0 === $random->getInt(0, 3)
                    ? chr($random->getInt(33, 126))
                    : self::PIECES[$random->getInt(0, count(self::PIECES) - 1)]);
        }

        return trim($text);
    }

    /** In a house style that breaks no words, so that each can be found again. */
    private static function typeset(OneShotEngine $engine, string $heading, Node ...$blocks): Typeset
    {
        $ids = new CountingIds();
        $note = new Node('footnote', content: [Node::text($heading)]);
        $cell = new Node('tableCell', ['header' => false, 'align' => null], [Node::text($heading)]);
        $table = new Node('table', content: [new Node('caption'), new Node('tableRow', content: [$cell, $cell])]);
        $document = Document::of(new TitleBlock($heading), [
            [
                Level::One,
                Section::blank($ids->next())
                    ->withHeading(Heading::plain($heading))
                    ->withBody(Body::of([...array_values($blocks), Node::paragraph([$note]), $table])),
            ],
        ]);
        $report = HouseStyles::find('report');
        self::assertNotNull($report);
        $typeset = (new Typesetter($engine))->typeset(
            $document->withSetup($document->setup->withStyle($report)),
            'typed',
            standard: PdfStandard::Tagged,
        );
        self::assertSame(
            [],
            array_filter(
                $typeset->findings,
                static fn(Finding $finding): bool => !in_array(
                    $finding->rule,
                    ['unread-formula', 'picture-left-blank'],
                    true,
                ),
            ),
        );

        return $typeset;
    }

    private static function printed(Typeset $typeset, string ...$options): string
    {
        return PrintedPages::bare(implode("\n", PrintedPages::of($typeset->pdf)->texts(...$options)));
    }
}
