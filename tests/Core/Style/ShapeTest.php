<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Style;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Detail\ClearShapes;
use Stemmata\Core\Operation\Detail\DescribeSection;
use Stemmata\Core\Operation\Detail\MakeAllSo;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\InvalidStyleSheet;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** What is said by hand of one place: how it is kept, what follows it, and how it is brought back. */
final class ShapeTest extends TestCase
{
    public function testWhatIsSaidHasOneForm(): void
    {
        self::assertSame(
            'size:14pt;colour:#aa1166;alignment:centred',
            Shape::read(' alignment: Centred; colour:#AA1166 ;size: 14 pt', false)->written(),
        );
        self::assertTrue(Shape::isSound('size:14pt;alignment:centred', false));
        self::assertFalse(Shape::isSound('alignment:centred;size:14pt', false));
        self::assertFalse(Shape::isSound('', false));
        self::assertSame('120%', Shape::read('size:120%', true)->said['size']);
    }

    public function testWhatCannotBeSaidIsRefusedInASentence(): void
    {
        foreach (
            [
                ['size:120%', false, '“size” cannot be “120%”: it can be from 4pt to 144pt.'],
                ['glow:1pt', false, '“glow” is no property of a look.'],
                ['newPage:yes', false, '“newPage” cannot be said of one paragraph.'],
                ['alignment:centred', true, '“alignment” cannot be said of one stretch of words.'],
                ['colour:"><b>', false, '“colour” cannot be “"><b>”: it can be a colour such as #aa1166, or ink.'],
            ]
            as [$written, $ofWords, $sentence]
        ) {
            try {
                Shape::read($written, $ofWords);
                self::fail($written);
            } catch (InvalidStyleSheet $problem) {
                self::assertSame($sentence, $problem->getMessage());
            }
        }
        $this->expectException(InvalidBody::class);
        Body::fromJson([['type' => 'paragraph', 'attrs' => ['shape' => 'size:14 pt']]]);
    }

    public function testAllOfAKindFollowOneOfThem(): void
    {
        $applied = (new MakeAllSo('heading-2', Shape::read('size:19pt;slant:italic', false)))->applyTo(
            self::document(),
        );

        self::assertInstanceOf(Applied::class, $applied);
        $document = $applied->document;
        $second = $document->setup->sheet()->definition('heading-2')->said;
        self::assertSame(['size' => '19pt', 'slant' => 'italic'], $second);
        // What was said of it in these properties goes, the rest and other kinds stay.
        self::assertSame(['', '', 'colour:#aa1166', 'size:30pt'], self::headings($document));
        self::assertSame(self::texts(self::document()), self::texts($document));
    }

    public function testAParagraphsKindDependsOnWhereItStands(): void
    {
        foreach (
            [
                'first-paragraph' => ['', 'alignment:end', 'alignment:end', 'alignment:end', 'colour:#aa1166'],
                'body' => ['alignment:end', '', 'alignment:end', 'alignment:end', 'colour:#aa1166'],
                'list-item-1' => ['alignment:end', 'alignment:end', '', 'alignment:end', 'colour:#aa1166'],
                'quotation' => ['alignment:end', 'alignment:end', 'alignment:end', '', 'colour:#aa1166'],
            ]
            as $kind => $left
        ) {
            $applied = (new MakeAllSo($kind, Shape::read('alignment:end', false)))->applyTo(self::document());
            self::assertInstanceOf(Applied::class, $applied, $kind);
            self::assertSame($left, self::texts($applied->document), $kind);
            self::assertSame('end', $applied->document->setup->sheet()->definition($kind)->said['alignment']);
        }
    }

    public function testAllIsBroughtBackAtOnce(): void
    {
        self::assertSame(
            [
                'One place here is shaped by hand and does not follow its kind of text.',
                'One place here is shaped by hand and does not follow its kind of text.',
                '6 places here are shaped by hand and do not follow their kinds of text.',
            ],
            self::findings(self::document()),
        );
        $some = (new ClearShapes('heading-2'))->applyTo(self::document());
        self::assertInstanceOf(Applied::class, $some);
        self::assertSame(['', '', '', 'size:30pt'], self::headings($some->document));

        $applied = (new ClearShapes())->applyTo(self::document());
        self::assertInstanceOf(Applied::class, $applied);
        self::assertSame(['', '', '', ''], self::headings($applied->document));
        self::assertSame(['', '', '', '', ''], self::texts($applied->document));
        self::assertSame([], self::findings($applied->document));
        self::assertInstanceOf(Refused::class, (new ClearShapes())->applyTo($applied->document));
    }

    public function testAHeadingIsShapedWithoutItsWords(): void
    {
        $shape = Shape::read('alignment:centred', false);
        $applied = (new DescribeSection([SectionId::fromString('aaaaaaaaaaa1')], shape: $shape))->applyTo(
            self::document(),
        );

        self::assertInstanceOf(Applied::class, $applied);
        self::assertSame('alignment:centred', self::headings($applied->document)[0]);
        self::assertSame('One', $applied->document->sectionAt(0)->heading->plainText());
    }

    private static function document(): Document
    {
        $shaped = static fn(string $words): Node => new Node(
            'paragraph',
            ['shape' => 'alignment:end'],
            [Node::text($words)],
        );
        $section = static fn(int $number, string $heading, string $shape, Node ...$blocks): Section => new Section(
            SectionId::fromString('aaaaaaaaaaa' . $number),
            Heading::plain($heading),
            Body::of(array_values($blocks)),
            shape: Shape::kept($shape),
        );

        return Document::of(new TitleBlock('Tried'), [
            [Level::One, $section(1, 'One', '')],
            [Level::Two, $section(2, 'Two', 'size:14pt')],
            [Level::Two, $section(3, 'Three', 'slant:upright;colour:#aa1166')],
            [
                Level::Three,
                $section(
                    4,
                    'Four',
                    'size:30pt',
                    $shaped('First'),
                    $shaped('Second'),
                    new Node('bulletList', [], [new Node('listItem', [], [$shaped('Item')])]),
                    new Node('quotation', [], [$shaped('Said')]),
                    Node::paragraph([
                        Node::text('Of '),
                        Node::text('words', [new Mark('shape', ['said' => 'colour:#aa1166'])]),
                        Node::text('.'),
                    ]),
                ),
            ],
        ]);
    }

    /** @return list<string> */
    private static function headings(Document $document): array
    {
        $shapes = [];
        foreach ($document->sections() as $section) {
            $shapes[] = $section->shape->written();
        }

        return $shapes;
    }

    /** @return list<string> what is said of each paragraph of the last section, and of its words */
    private static function texts(Document $document): array
    {
        $shapes = [];
        foreach ($document->sectionAt(3)->body->walk() as $node) {
            if ('paragraph' === $node->type && !str_starts_with($node->plainText(), 'Of')) {
                $shapes[] = $node->shape()->written();
            }
            if ('paragraph' === $node->type && 'Of words.' === $node->plainText()) {
                $shapes[] = ($node->content[1] ?? $node)->shape()->written();
            }
        }

        return $shapes;
    }

    /** @return list<string> */
    private static function findings(Document $document): array
    {
        return array_values(
            array_map(
                static fn(Finding $each): string => $each->message,
                array_filter(
                    StructureCheck::of($document),
                    static fn(Finding $each): bool => 'shaped-by-hand' === $each->rule,
                ),
            ),
        );
    }
}
