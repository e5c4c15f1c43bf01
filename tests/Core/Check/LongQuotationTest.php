<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Text\SetOffQuotations;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** What is quoted at length stands by itself: more than 100 words or five lines (common practice). */
final class LongQuotationTest extends TestCase
{
    private const SECTION = 'cccccccccccc';

    public function testItIsFoundWhereSourcesAreQuoted(): void
    {
        $long = self::words(120);
        self::assertSame(
            [
                'A quotation of 120 words stands within the text; one of more than 100 words or five lines stands by itself.',
            ],
            self::found('He wrote: “' . $long . '” Then he slept.', 'academic'),
        );
        // In a story it is what somebody says.
        self::assertSame([], self::found('He said: “' . $long . '” Then he slept.', 'reading'));
        self::assertSame([], self::found('He wrote: “' . self::words(30) . '” and ' . $long, 'academic'));
        self::assertSame([], self::found('It is 6" and ' . $long . ' and 7".', 'academic'));
        // Six lines of a page are too much, however few words they are.
        self::assertCount(1, self::found('„' . self::words(95, 'Leuchtturm') . '“ schrieb er.', 'academic'));
    }

    /** @return iterable<string, array{list<Node>, string}> the line, and what becomes of it with “…” for the many words */
    public static function lines(): iterable
    {
        $quoted = static fn(string $open, string $close): string => $open . self::words(120) . $close;
        yield 'words on both sides' => [
            [Node::text('He wrote: ' . $quoted('“', '”') . ' Then he slept.')],
            'p(He wrote:) quotation(…) p(Then he slept.)',
        ];
        yield 'by itself' => [[Node::text($quoted('«', '»'))], 'quotation(…)'];
        yield 'with its full stop and its note' => [
            [Node::text('He wrote ' . $quoted('"', '"') . '.'), new Node('footnote', [], [Node::text('Log of 1866.')])],
            'p(He wrote) quotation(….Log of 1866.)',
        ];
        yield 'two of them' => [
            [Node::text('One: ' . $quoted('“', '”') . ' Two: ' . $quoted('„', '“') . ' Three.')],
            'p(One:) quotation(…) p(Two:) quotation(…) p(Three.)',
        ];
        yield 'with signs of two units before it, and emphasis in it' => [
            [
                Node::text('😀 wrote “'),
                Node::text(self::words(60) . ' ', [new Mark('emphasis')]),
                Node::text(self::words(60) . '” once.'),
            ],
            'p(😀 wrote) quotation(…) p(once.)',
        ];
    }

    /** @param list<Node> $line */
    #[DataProvider('lines')]
    public function testItIsSetOffWithoutItsMarks(array $line, string $becomes): void
    {
        $applied = (new SetOffQuotations(SectionId::fromString(self::SECTION)))->applyTo(
            self::document(Node::paragraph($line), 'academic'),
        );

        self::assertInstanceOf(Applied::class, $applied);
        $blocks = $applied->document->sectionAt(0)->body->blocks;
        self::assertSame(
            $becomes,
            implode(
                ' ',
                array_map(
                    static fn(Node $block): string => sprintf(
                        '%s(%s)',
                        'paragraph' === $block->type ? 'p' : $block->type,
                        strtr($block->plainText(), [
                            self::words(120) => '…',
                            self::words(60) . ' ' . self::words(60) => '…',
                        ]),
                    ),
                    $blocks,
                ),
            ),
        );
        self::assertSame([], self::foundIn($applied->document));
    }

    public function testWhereNoneIsLongNothingChanges(): void
    {
        $operation = new SetOffQuotations(SectionId::fromString(self::SECTION));
        $short = self::document(Node::paragraph([Node::text('“Short,” he wrote.')]), 'academic');

        self::assertInstanceOf(Refused::class, $operation->applyTo($short));
        $other = new SetOffQuotations(SectionId::fromString('dddddddddddd'));
        self::assertInstanceOf(Refused::class, $other->applyTo($short));
    }

    private static function words(int $count, string $word = 'log'): string
    {
        return implode(' ', array_fill(0, $count, $word));
    }

    private static function document(Node $paragraph, string $style): Document
    {
        $document = Document::of(new TitleBlock('Tried'), [
            [
                Level::One,
                new Section(SectionId::fromString(self::SECTION), Heading::plain('One'), Body::of([$paragraph])),
            ],
        ]);

        return $document->withSetup(
            $document->setup->withSheet(StyleSheet::fromJson(['name' => 'Tried', 'basedOn' => $style])),
        );
    }

    /** @return list<string> */
    private static function found(string $line, string $style): array
    {
        return self::foundIn(self::document(Node::paragraph([Node::text($line)]), $style));
    }

    /** @return list<string> */
    private static function foundIn(Document $document): array
    {
        return array_values(
            array_map(
                static fn(Finding $each): string => $each->message,
                array_filter(
                    StructureCheck::of($document),
                    static fn(Finding $each): bool => 'long-quotation' === $each->rule,
                ),
            ),
        );
    }
}
