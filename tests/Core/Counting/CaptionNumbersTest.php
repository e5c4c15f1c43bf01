<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Counting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Numbering\CaptionNumbering;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Detail\NumberCaptions;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Text\BookmarkCaption;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Rendition\Places;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Caption;
use Stemmata\Core\Text\CaptionKind;
use Stemmata\Core\Text\Node;
use Stemmata\Core\TypedNumber\CaptionLifting;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;

/** Figures and tables are each counted through the document, footnotes as well (common practice). */
final class CaptionNumbersTest extends TestCase
{
    public function testEachKindIsCountedThroughTheDocument(): void
    {
        $document = self::document([
            'a' => [self::figure('A glass'), self::table('Readings'), self::note()],
            'b' => [],
            'c' => [self::figure(''), self::quoted(self::figure('A vane')), self::note(), self::note()],
            'd' => [self::table('Sums'), self::note()],
        ]);
        $numbers = CaptionNumbers::of($document);

        self::assertSame(
            [
                self::id('a') => ['Figure 1', 'Table 1'],
                self::id('c') => ['', 'Figure 2'],
                self::id('d') => ['Table 2'],
            ],
            $numbers->labels,
        );
        self::assertSame([self::id('a') => 1, self::id('c') => 2, self::id('d') => 4], $numbers->firstNotes);
    }

    public function testTheWordIsThatOfTheLanguageAndABranchIsCountedInItsWhole(): void
    {
        $document = self::document(['a' => [self::figure('x')], 'b' => [self::figure('y')]])->withTitleBlock(
            new TitleBlock('Sketch', language: 'de-AT'),
        );
        $branch = Sketch::branch($document, Sketch::id('b'));

        self::assertSame(['Abbildung 2'], CaptionNumbers::of($branch)->labels[self::id('b')]);
    }

    public function testACaptionWithATypedNumberKeepsItAndIsNotCounted(): void
    {
        $document = self::document(['a' => [self::figure('Fig. 2.1 A glass'), self::figure('A vane')]]);

        self::assertSame(['', 'Figure 1'], CaptionNumbers::of($document)->labels[self::id('a')]);
    }

    public function testCaptionsBearNoNumbersWhereTheWriterWantsNone(): void
    {
        $document = self::document(['a' => [self::figure('A glass'), self::note()]]);
        $plain = (new NumberCaptions(CaptionNumbering::None))->applyTo($document)->document;

        self::assertSame([''], CaptionNumbers::of($plain)->labels[self::id('a')]);
        self::assertSame(
            [self::id('a') => 1],
            CaptionNumbers::of($plain)->firstNotes,
            'notes are counted all the same',
        );
        self::assertEquals($plain->setup, Setup::fromJson($plain->setup->toJson()));
        self::assertEquals(
            $document->setup,
            (new NumberCaptions(CaptionNumbering::Plain))->applyTo($plain)->document->setup,
        );
        self::assertEquals($document->setup, Setup::fromJson($document->setup->toJson()));
    }

    /** @return iterable<string, array{string, bool}> */
    public static function captions(): iterable
    {
        yield 'a whole number' => ['Figure 3: A glass', true];
        yield 'by chapters' => ['Tab. 2.4 Readings', true];
        yield 'of an appendix' => ['Table A.1 Readings', true];
        yield 'in another language' => ['Abbildung 7 – Das Glas', true];
        yield 'without one' => ['A glass of 1890', false];
        yield 'only the word' => ['Figures on a shore', false];
        yield 'the word within' => ['See Figure 3', false];
    }

    #[DataProvider('captions')]
    public function testWhatATypedNumberIs(string $caption, bool $isNumbered): void
    {
        self::assertSame($isNumbered, CaptionKind::isNumbered($caption));
    }

    public function testTypedNumbersAreLiftedWhenAllOfAKindAreAsComputed(): void
    {
        $lifted = CaptionLifting::from(
            self::document([
                'a' => [self::figure('Figure 1: A glass'), self::table('Table 1. Readings')],
                'b' => [self::figure('figure 2 – A vane'), self::table('Table 3. Sums')],
            ]),
        );

        self::assertSame(
            ['A glass', 'Table 1. Readings', 'A vane', 'Table 3. Sums'],
            [...self::words($lifted, 'a'), ...self::words($lifted, 'b')],
        );
        self::assertSame(['Figure 2', ''], CaptionNumbers::of($lifted)->labels[self::id('b')]);
    }

    public function testOneCaptionWithoutANumberOrWithoutWordsKeepsThemAllAsTyped(): void
    {
        foreach (['A vane', 'Figure 2', 'Figure 3: A vane'] as $second) {
            $document = self::document(['a' => [self::figure('Figure 1: A glass'), self::figure($second)]]);

            self::assertSame(['Figure 1: A glass', $second], self::words(CaptionLifting::from($document), 'a'));
        }
    }

    public function testANamedCaptionIsReferredToByItsNumberAndItsWords(): void
    {
        $document = self::document(['a' => [self::figure('A glass')], 'b' => [self::table('Readings of the day')]]);
        $named = (new BookmarkCaption(Sketch::id('b'), 0, Sketch::id('mark')))->applyTo($document);
        self::assertInstanceOf(Applied::class, $named);
        $caption = Caption::findOf($named->document->section(Sketch::id('b'))->body->blocks[0]);

        self::assertSame([self::id('mark')], $caption->bookmarks ?? []);
        self::assertSame(['Readings_of_the_day'], array_values(self::names($named->document)));
        foreach (
            [
                'number' => 'Table 1',
                'heading' => 'Readings of the day',
                'both' => 'Table 1 Readings of the day',
            ]
            as $shows => $words
        ) {
            self::assertSame(
                $words,
                Places::in($named->document)->crossReferenceWords(
                    new Node('crossReference', [
                        'href' => 'bookmark:' . self::id('mark'),
                        'shows' => CrossReferenceShows::from($shows)->value,
                    ]),
                ),
            );
        }
    }

    public function testWhatHasNoCaptionCannotBeNamed(): void
    {
        $document = self::document(['a' => [self::figure(''), self::figure('A glass')]]);

        foreach ([0, 2, -1] as $index) {
            $refused = (new BookmarkCaption(Sketch::id('a'), $index, Sketch::id('mark')))->applyTo($document);
            self::assertInstanceOf(Refused::class, $refused);
        }
    }

    /** @param array<string, list<Node>> $texts blocks by heading */
    private static function document(array $texts): Document
    {
        $document = Sketch::document(
            implode(', ', array_map(static fn(string $heading): string => '1 ' . $heading, array_keys($texts))),
        );
        foreach ($texts as $heading => $blocks) {
            $document = $document->withSection($document->section(Sketch::id($heading))->withBody(Body::of($blocks)));
        }

        return $document;
    }

    private static function id(string $heading): string
    {
        return Sketch::id($heading)->value;
    }

    private static function figure(string $caption): Node
    {
        return new Node('figure', ['src' => '', 'alt' => ''], '' === $caption ? [] : [Node::text($caption)]);
    }

    private static function table(string $caption): Node
    {
        $cell = new Node('tableCell', ['header' => false, 'align' => null], [Node::text('1')]);

        return new Node(
            'table',
            content: [new Node('caption', content: [Node::text($caption)]), new Node('tableRow', content: [$cell])],
        );
    }

    private static function quoted(Node $block): Node
    {
        return new Node('quotation', content: [$block]);
    }

    private static function note(): Node
    {
        return Node::paragraph([Node::text('x'), new Node('footnote', content: [Node::text('A note.')])]);
    }

    /** @return list<string> */
    private static function words(Document $document, string $heading): array
    {
        $words = [];
        foreach ($document->section(Sketch::id($heading))->body->walk() as $node) {
            $words[] = Caption::findOf($node)?->words;
        }

        return array_values(array_filter($words, is_string(...)));
    }

    /** @return array<string, string> */
    private static function names(Document $document): array
    {
        return array_merge(...array_map(static fn($each): array => $each->bookmarks, $document->references()));
    }

    public function testCountsAnewInEachNumberedChapter(): void
    {
        $document = Services::formats()->read(
            'log.md',
            "![Before](a.png)\n\n# Lamps\n\n![One](a.png)\n\n## Oil\n\n![Two](a.png)\n\n# Gales\n\n![Three](a.png)\n",
        )->document;
        $document = (new NumberCaptions(CaptionNumbering::ByChapter))->applyTo($document)->document;
        $figures = [];
        foreach ($document->sections() as $section) {
            $figure = new Node('figure', ['src' => 'https://example.org/a.png', 'alt' => ''], [Node::text('A lamp')]);
            $document = $document->withSection($section->withBody(Body::of([$figure])));
        }
        foreach ($document->outline->ids() as $id) {
            $figures[] = CaptionNumbers::of($document)->labels[$id->value][0] ?? null;
        }
        self::assertSame(['Figure 1', 'Figure 1.1', 'Figure 1.2', 'Figure 2.1'], $figures);
        self::assertEquals($document->setup, Setup::fromJson($document->setup->toJson()));

        $withoutNumber = $document->withOutline($document->outline->withFlags([3 => Outline::UNNUMBERED]));
        self::assertSame(
            ['Figure 2'],
            CaptionNumbers::of($withoutNumber)->labels[$document->outline->idAt(3)->value],
            'none is called “Figure 1” twice',
        );
    }
}
