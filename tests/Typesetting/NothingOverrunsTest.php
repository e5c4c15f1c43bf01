<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\RandomPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Typeset;
use Stemmata\Typesetting\Typesetter;

/** Nothing is ever printed over anything, or past the margin: the boxes of words in documents at random, as poppler finds them. */
final class NothingOverrunsTest extends TestCase
{
    private const MILLIMETRE = 72 / 25.4;
    /** Points by which letters may lean out of the lines: italics, and the boxes of signs in formulas. */
    private const LEAN = 2.0;
    private const TOLD = ['in-parts', 'small-formula', 'unread-formula', 'upright', 'untagged-pages'];

    public function testWordsStandBesideEachOtherAndWithinTheMargins(): void
    {
        $engine = new OneShotEngine();
        $random = new RandomPages(new Randomizer(new Mt19937((int) (getenv('SEED') ?: 23))), new CountingIds());
        for ($times = 0; $times < Dose::of(300, 25); ++$times) {
            $document = $random->document();
            $typeset = (new Typesetter($engine))->typeset($document, 'test', [], PdfStandard::Tagged);
            $pages = PrintedPages::of($typeset->pdf);
            $margin = $document->setup->pages()->margins->inner * self::MILLIMETRE;
            $printed = 0;
            foreach ($pages->boxes() as $index => ['width' => $width, 'height' => $height, 'words' => $words]) {
                foreach ($words as [$word, $left, $top, $right, $bottom]) {
                    $printed += substr_count($word, RandomPages::IN_EACH_CELL);
                    $told = sprintf('“%s” on sheet %d of document %d', $word, $index + 1, $times);
                    self::assertGreaterThan($margin - self::LEAN, $left, $told);
                    self::assertLessThan($width - $margin + self::LEAN, $right, $told);
                    // Under the text stands a line of its own, which the text would be printed over.
                    self::assertGreaterThan(0, $top, $told);
                    self::assertLessThan($height, $bottom, $told);
                }
                self::assertSame([], self::overlaps($words), sprintf('sheet %d of document %d', $index + 1, $times));
            }
            self::assertGreaterThanOrEqual($random->cells, $printed, 'cells of document ' . $times);
            foreach ($typeset->findings as $finding) {
                self::assertContains($finding->rule, self::TOLD);
            }
        }
    }

    public function testWhatIsNestedTooDeeplyKeepsNoDocumentFromItsPages(): void
    {
        $quotations = str_repeat('> ', 30) . "innermost\n\n";
        $lists = implode(
            '',
            array_map(static fn(int $depth): string => str_repeat('  ', $depth) . "- item {$depth}\n", range(0, 25)),
        );
        $document = Services::formats()->read('x.md', "# One\n\n" . $quotations . $lists . "\n" . str_repeat('a', 9000))
            ->document;
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Tagged);

        self::assertSame(['flattened'], array_values(array_unique(array_column($typeset->findings, 'rule'))));
        $texts = implode('', PrintedPages::of($typeset->pdf)->texts());
        self::assertStringContainsString('innermost', $texts);
        self::assertStringContainsString('item 25', $texts);
        self::assertSame(
            9000,
            substr_count((string) preg_replace('/\s+/', '', substr($texts, (int) strpos($texts, 'item 25') + 7)), 'a'),
        );
    }

    /** Seven columns headed by a long word, on a small page: told apart, in letters that can be read, on one page or two. */
    public function testSevenColumnsFitASmallPage(): void
    {
        [$texts, $typeset] = self::printed(self::table(7, 12, 'Temperature'));

        self::assertSame([], $typeset->findings);
        // Whole, or broken where English breaks it.
        self::assertSame(7, preg_match_all('/Temper/', $texts));
        self::assertSame(7, preg_match_all('/ature/', $texts));
    }

    /** Thirty go on in parts below each other, each with the names of its rows, and the writer is told of the place. */
    public function testThirtyColumnsArePrintedInParts(): void
    {
        [$texts, $typeset] = self::printed(self::table(30, 4, 'Measurement'));

        self::assertEquals(
            [
                new Finding(
                    'in-parts',
                    0,
                    'Table 1 is wider than the page: its columns are printed in parts below each other. ' .
                        'A landscape page has more room.',
                    'common practice',
                ),
            ],
            $typeset->findings,
        );
        for ($column = 2; $column <= 30; ++$column) {
            self::assertMatchesRegularExpression('/Measurement\s+' . $column . '\b/', $texts);
        }
        self::assertGreaterThan(3, preg_match_all('/Row 3/', $texts));
    }

    public function testATableByChoiceStandsOnALandscapePage(): void
    {
        $table = self::table(7, 4, 'Temperature');
        $document = self::weather([
            Node::paragraph([Node::text('Before.')]),
            $table->withAttributes(['landscape' => true]),
            Node::paragraph([Node::text('Behind.')]),
        ]);
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Accessible);
        $shapes = array_map(
            static fn(array $sheet): array => [$sheet['width'] > $sheet['height'], count($sheet['words']) > 8],
            PrintedPages::of($typeset->pdf)->boxes(),
        );

        self::assertNull($typeset->refused);
        self::assertContains([true, true], $shapes);
        self::assertCount(1, array_filter($shapes, static fn(array $shape): bool => $shape[0]));
    }

    /** The caption of a table goes with its first rows, whose head stands on each page. */
    public function testACaptionStaysWithItsTable(): void
    {
        $lines = array_fill(0, 19, Node::paragraph([Node::text('A line of text before the table.')]));
        for ($more = 0; $more < 9; ++$more) {
            $document = self::weather([...$lines, self::table(3, 40, 'Head')]);
            $sheets = PrintedPages::of(
                (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Tagged)->pdf,
            )->texts('-layout');
            $headed = array_filter($sheets, static fn(string $sheet): bool => str_contains($sheet, 'Head 2'));

            self::assertGreaterThan(1, count($headed));
            self::assertStringContainsString('Of the weather', (string) reset($headed), $more . ' lines more');
            $lines[] = Node::paragraph([Node::text('One more.')]);
        }
    }

    /** @return array{string, Typeset} */
    private static function printed(Node $table): array
    {
        $typeset = (new Typesetter(new OneShotEngine()))->typeset(
            self::weather([$table]),
            'test',
            [],
            PdfStandard::Tagged,
        );

        return [implode('', PrintedPages::of($typeset->pdf)->texts()), $typeset];
    }

    /** @param list<Node> $blocks */
    private static function weather(array $blocks): Document
    {
        $section = new Section((new CountingIds())->next(), Heading::plain('Weather'), Body::of($blocks));
        $document = Document::of(new TitleBlock('Weather', language: 'en'), [[Level::One, $section]]);

        return $document->withSetup(
            $document->setup->withPages(
                (new PageSetup())->changedBy([
                    'paper' => 'a5',
                    'margins' => ['top' => 15, 'bottom' => 15, 'inner' => 15, 'outer' => 15],
                ]),
            ),
        );
    }

    private static function table(int $columns, int $rows, string $head): Node
    {
        $cell = static fn(bool $isHeader, string $words): Node => new Node(
            'tableCell',
            ['header' => $isHeader, 'align' => null],
            [Node::text($words)],
        );
        $made = [new Node('caption', content: [Node::text('Of the weather')])];
        for ($row = 0; $row <= $rows; ++$row) {
            $cells = [];
            for ($column = 1; $column <= $columns; ++$column) {
                $cells[] = match (true) {
                    0 === $row => $cell(true, $head . ' ' . $column),
                    1 === $column => $cell(false, 'Row ' . $row),
                    default => $cell(false, (string) ($row * $column)),
                };
            }
            $made[] = new Node('tableRow', content: $cells);
        }

        return new Node('table', [], $made);
    }

    /**
     * @param list<array{string, float, float, float, float}> $words
     *
     * @return list<string> pairs of words whose letters share a place
     */
    private static function overlaps(array $words): array
    {
        $cores = [];
        foreach ($words as [$word, $left, $top, $right, $bottom]) {
            // A box reaches from the highest letter of its face to the lowest, further than the words: what lines share.
            // Signs of formulas are left out, which stand over and under each other on purpose.
            if (1 === preg_match('/\p{L}{3}/u', $word)) {
                $height = $bottom - $top;
                $cores[] = [$word, $left + 0.4, $top + 0.4 * $height, $right - 0.4, $bottom - 0.3 * $height];
            }
        }
        usort($cores, static fn(array $one, array $other): int => $one[2] <=> $other[2]);
        $pairs = [];
        foreach ($cores as $index => [$word, $left, , $right, $bottom]) {
            for ($next = $index + 1; isset($cores[$next]) && $cores[$next][2] < $bottom; ++$next) {
                if ($cores[$next][1] < $right && $left < $cores[$next][3]) {
                    $pairs[] = $word . ' over ' . $cores[$next][0];
                }
            }
        }

        return $pairs;
    }
}
