<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Sources;
use Stemmata\Typesetting\Typesetter;

/**
 * What is said by hand of one place is so on the page and in files, exactly as it is where a style sheet says the same of a
 * kind that only this place is of: letters, lines, space, grounds and rules.
 */
final class ByHandTest extends TestCase
{
    private const PARAGRAPH = [
        'face' => 'EB Garamond',
        'size' => '17pt',
        'weight' => '700',
        'slant' => 'italic',
        'capitals' => 'small',
        'letterSpacing' => '1pt',
        'colour' => '#aa1166',
        'ground' => '#f3e8d8',
        'underline' => 'yes',
        'figures' => 'old-style',
        'alignment' => 'centred',
        'lineHeight' => '2',
        'spaceBefore' => '33pt',
        'spaceAfter' => '41pt',
        'firstLine' => '20pt',
        'indentStart' => '30pt',
        'indentEnd' => '50pt',
        'ruleAbove' => '2pt #1f4e5f',
        'ruleBelow' => '3pt #334455',
        'frame' => '1pt #004488',
        'keepWithNext' => 'yes',
        'keepTogether' => 'yes',
        'hyphenation' => 'yes',
    ];
    private const WORDS = ['face' => 'Figtree', 'size' => '150%', 'weight' => '700', 'colour' => '#004488'];

    public function testOnPagesItIsAsIfASheetSaidIt(): void
    {
        foreach (self::PARAGRAPH as $property => $value) {
            $said = [$property => $value];
            $byHand = self::document(Shape::read("{$property}:{$value}", false), null, Shape::none(), []);
            $byKind = self::document(Shape::none(), 'set', Shape::none(), [
                'set' => ['label' => 'Set', 'of' => 'paragraphs', ...$said],
            ]);
            self::assertSame(self::painted($byKind), self::painted($byHand), $property);
        }
    }

    public function testWordsAndHeadingsToo(): void
    {
        $plain = self::document(Shape::none(), null, Shape::none(), []);
        $words = Shape::read(self::line(self::WORDS), true);
        $byHand = self::document(Shape::none(), null, Shape::none(), [], $words);
        $byKind = self::document(
            Shape::none(),
            null,
            Shape::none(),
            [
                'set' => ['label' => 'Set', 'of' => 'words', ...self::WORDS],
            ],
            'set',
        );
        self::assertSame(self::painted($byKind), self::painted($byHand));
        self::assertNotSame(self::painted($plain), self::painted($byHand));

        foreach (array_diff_key(self::PARAGRAPH, ['spaceBefore' => '', 'keepWithNext' => '']) as $property => $value) {
            $heading = self::document(Shape::none(), null, Shape::read("{$property}:{$value}", false), []);
            $level = self::document(Shape::none(), null, Shape::none(), ['heading-2' => [$property => $value]]);
            self::assertSame(self::painted($level), self::painted($heading), $property);
        }
    }

    public function testOfficeFilesSayItDirectly(): void
    {
        $document = self::document(
            Shape::read(self::line(self::PARAGRAPH), false),
            null,
            Shape::read('alignment:end;size:31pt;weight:400', false),
            [],
            Shape::read(self::line(self::WORDS), true),
        );
        $folder = TemporaryFolder::made();
        $file = $folder . '/by-hand.docx';
        file_put_contents($file, implode('', [...self::written('docx', $document)]));
        $found = json_decode(
            Foreign::run(['/usr/bin/python3', __DIR__ . '/direct-formatting.py', $file]),
            true,
            flags: \JSON_THROW_ON_ERROR,
        );
        assert(is_array($found));
        [$heading, $shaped, $after] = [
            $found['Two'] ?? null,
            $found['It stands by itself 1895.'] ?? null,
            $found['What follows is plain.'] ?? null,
        ];

        self::assertEquals(['alignment' => 'end', 'runs' => [['size' => 31, 'bold' => false]]], $heading);
        self::assertEquals(['runs' => [[]]], $after);
        self::assertIsArray($shaped);
        self::assertEquals(
            [
                'alignment' => 'center',
                'before' => 33,
                'after' => 41,
                'left' => 30,
                'right' => 50,
                'first' => 20,
                'keepNext' => true,
                'keepLines' => true,
                'ground' => 'F3E8D8',
                'borders' => ['top 16 1F4E5F', 'left 8 004488', 'bottom 24 334455', 'right 8 004488'],
            ],
            array_intersect_key(
                $shaped,
                array_flip([
                    'alignment',
                    'before',
                    'after',
                    'left',
                    'right',
                    'first',
                    'keepNext',
                    'keepLines',
                    'ground',
                    'borders',
                ]),
            ),
        );
        $letters = [
            'size' => 17,
            'bold' => true,
            'italic' => true,
            'face' => 'EB Garamond',
            'colour' => 'AA1166',
            'small' => true,
            'underline' => true,
            'figures' => 'oldStyle',
        ];
        self::assertEquals([$letters], $shaped['runs']);
        // What words say goes before what their paragraph says.
        self::assertEquals(
            ['runs' => [[], ['size' => 15, 'bold' => true, 'face' => 'Figtree', 'colour' => '004488'], []]],
            $found['With words in it.'] ?? null,
        );
    }

    public function testWebPagesSayItDirectlyAndMarkdownTellsThatItCannot(): void
    {
        $document = self::document(
            Shape::read('alignment:centred;size:22pt', false),
            null,
            Shape::read('colour:#aa1166', false),
            [],
            Shape::read('size:150%', true),
        );
        $html = implode('', [...self::written('html', $document)]);

        self::assertStringContainsString('<p style="font-size:22pt;text-align:center">It stands', $html);
        self::assertMatchesRegularExpression('~<h2[^>]* style="color:#aa1166">~', $html);
        self::assertStringContainsString('<span style="font-size:1.5em">words</span>', $html);
        self::assertStringContainsString(
            'does not say what is shaped by hand',
            implode(' ', Services::formats()->writerFor('md')->passesOver($document)),
        );
        self::assertStringContainsString('With words in it.', implode('', [...self::written('md', $document)]));
    }

    public function testASourceIsMadeAnewWhenTheLookOfItsKindChanges(): void
    {
        $kinds = ['body' => ['size' => '12pt']];

        self::assertNotSame(self::key([], Shape::kept('slant:italic')), self::key($kinds, Shape::kept('slant:italic')));
        self::assertSame(self::key([], Shape::none()), self::key($kinds, Shape::none()));
    }

    /** @param array<string, array<string, string>> $kinds */
    private static function key(array $kinds, Shape $shape): string
    {
        $document = self::document($shape, null, Shape::none(), $kinds);

        return (new Sources($document))->keys(['bbbbbbbbbbb2' => 1])['bbbbbbbbbbb2'];
    }

    /** @param array<string, string> $said */
    private static function line(array $said): string
    {
        return implode(
            ';',
            array_map(static fn(string $name, string $value): string => $name . ':' . $value, array_keys($said), $said),
        );
    }

    /**
     * @param string|null                          $kind  of the one paragraph
     * @param array<string, array<string, string>> $kinds
     * @param Shape|string|null                    $words what is said of some words, or the kind that they are of
     */
    private static function document(
        Shape $shape,
        ?string $kind,
        Shape $heading,
        array $kinds,
        Shape|string|null $words = null,
    ): Document {
        $mark = match (true) {
            is_string($words) => [new Mark('kind', ['name' => $words])],
            null === $words => [],
            default => [new Mark('shape', ['said' => $words->written()])],
        };
        $document = Document::of(new TitleBlock('Tried'), [
            [
                Level::One,
                new Section(
                    SectionId::fromString('bbbbbbbbbbb1'),
                    Heading::plain('One'),
                    Body::of([Node::paragraph([Node::text('The first one.')])]),
                ),
            ],
            [
                Level::Two,
                new Section(
                    SectionId::fromString('bbbbbbbbbbb2'),
                    Heading::plain('Two'),
                    Body::of([
                        Node::paragraph([Node::text('The first one.')]),
                        new Node(
                            'paragraph',
                            [
                                ...null === $kind ? [] : ['kind' => $kind],
                                ...$shape->isEmpty() ? [] : ['shape' => $shape->written()],
                            ],
                            [Node::text('It stands by itself 1895.')],
                        ),
                        Node::paragraph([Node::text('What follows is plain.')]),
                        Node::paragraph([Node::text('With '), Node::text('words', $mark), Node::text(' in it.')]),
                    ]),
                    shape: $heading,
                ),
            ],
        ]);
        // So that both are made by a sheet, the one that says nothing of it has one as well.
        $sheet = StyleSheet::fromJson([
            'name' => 'Tried',
            'kinds' => ['other' => ['label' => 'Other', 'of' => 'words', 'slant' => 'italic'], ...$kinds],
        ]);

        return $document->withSetup($document->setup->withSheet($sheet));
    }

    /** @return iterable<string> */
    private static function written(string $format, Document $document): iterable
    {
        $writer = Services::formats()->writerFor($format);

        return $writer->write(Rendition::of($document));
    }

    /** What poppler sees of the pages: words with their places, and all that is painted. */
    private static function painted(Document $document): string
    {
        $pdf = (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Tagged)->pdf;
        $folder = TemporaryFolder::made();
        file_put_contents($folder . '/pages.pdf', $pdf);
        $painted = json_encode(PrintedPages::of($pdf)->boxes(), \JSON_THROW_ON_ERROR);
        foreach (array_keys(PrintedPages::of($pdf)->texts()) as $sheet) {
            $page = (string) ($sheet + 1);
            $painted .= Foreign::run(['pdftocairo', '-svg', '-f', $page, '-l', $page, $folder . '/pages.pdf', '-']);
        }

        return $painted;
    }
}
