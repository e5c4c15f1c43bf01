<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\TypedNumber;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\TypedNumber\NumberLifting;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Sketch;

final class SchemeInferenceTest extends TestCase
{
    /**
     * Lines are “level words”; after the arrow what is computed and what is left of the words, divided by a stroke.
     *
     * @return iterable<string, array{list<string>, list<string>, 2?: bool}>
     */
    public static function books(): iterable
    {
        yield 'plain, with front matter and appendices' => [
            [
                '1 Preface',
                '1 1 Soils',
                '2 1.1 Clay',
                '3 1.1.1 Wet clay',
                '2 1.2 Sand',
                '1 2 Water',
                '1 Appendix A Tables',
                '2 A.1 North',
                '1 Appendix B: Forms',
                '1 Index',
            ],
            [
                '|Preface',
                '1|Soils',
                '1.1|Clay',
                '1.1.1|Wet clay',
                '1.2|Sand',
                '2|Water',
                'Appendix A|Tables',
                'A.1|North',
                'Appendix B|Forms',
                '|Index',
            ],
            true,
        ];
        yield 'stops after the numbers' => [
            ['1 1. Soils', '2 1.1. Clay', '1 2. Water'],
            ['1|Soils', '1.1|Clay', '2|Water'],
            true,
        ];
        yield 'chapters count on through parts' => [
            ['1 Part I: Dawn', '2 Chapter 1', '2 Chapter 2. The gale', '1 Part II: Dusk', '2 Chapter 3', '3 3.1 Loss'],
            ['Part I|Dawn', 'Chapter 1|', 'Chapter 2|The gale', 'Part II|Dusk', 'Chapter 3|', '3.1|Loss'],
        ];
        yield 'sections begin anew in each part' => [
            ['1 Part One', '2 Section 1', '2 Section 2', '1 Part Two', '2 Section 1'],
            ['Part One|', 'Section 1|', 'Section 2|', 'Part Two|', 'Section 1|'],
        ];
        yield 'romans' => [
            ['1 I. Soils', '1 II. Water', '1 III. Air', '1 IV. Fire', '1 V. Ash'],
            ['I|Soils', 'II|Water', 'III|Air', 'IV|Fire', 'V|Ash'],
        ];
        yield 'letters, of which one is a roman too' => [
            ['1 G) Soils', '1 H) Water', '1 I) Air', '1 J) Fire'],
            ['G|Soils', 'H|Water', 'I|Air', 'J|Fire'],
        ];
        yield 'letters in brackets under figures' => [
            ['1 1 Soils', '2 (a) Clay', '2 (b) Sand', '1 2 Water', '2 (a) Rain'],
            ['1|Soils', 'a|Clay', 'b|Sand', '2|Water', 'a|Rain'],
        ];
        yield 'numbers in words' => [
            ['1 CHAPTER ONE', '1 CHAPTER TWO: On', '1 CHAPTER TWENTY-ONE', '1 CHAPTER TWENTY-TWO'],
            ['CHAPTER ONE|', 'CHAPTER TWO|On', 'CHAPTER TWENTY-ONE|', 'CHAPTER TWENTY-TWO|'],
        ];
        yield 'from nought on purpose' => [
            ['1 0 Question', '1 1 First argument', '1 2 Second argument'],
            ['0|Question', '1|First argument', '2|Second argument'],
        ];
        yield 'an excerpt begins where it was cut' => [
            ['1 5 Five', '2 5.1 x', '1 6 Six'],
            ['5|Five', '5.1|x', '6|Six'],
        ];
        yield 'a leap that goes on' => [
            ['1 1 One', '1 2 Two', '1 4 Four', '1 5 Five'],
            ['1|One', '2|Two', '4|Four', '5|Five'],
        ];
        yield 'sections of the sign' => [
            ['1 § 1 Scope', '1 § 2 Terms', '1 § 3 Rules'],
            ['§ 1|Scope', '§ 2|Terms', '§ 3|Rules'],
        ];
        yield 'a title above the numbers' => [
            ['1 Handbook', '2 1 Scope', '3 1.1 In', '2 2 Terms'],
            ['|Handbook', '1|Scope', '1.1|In', '2|Terms'],
        ];
        yield 'a dash between the parts' => [
            ['1 1 Soils', '2 1-1 Clay', '2 1-2 Sand', '1 2 Water', '2 2-1 Rain'],
            ['1|Soils', '1-1|Clay', '1-2|Sand', '2|Water', '2-1|Rain'],
        ];
        yield 'a skipped level counted as 0' => [
            ['1 1 Soils', '3 1.0.1 Wet', '2 1.1 Clay'],
            ['1|Soils', '1.0.1|Wet', '1.1|Clay'],
        ];
        yield 'letters after the figures are appendices' => [
            ['1 1 Soils', '1 2 Water', '1 A Tables', '2 A.1 North', '1 B Forms'],
            ['1|Soils', '2|Water', 'A|Tables', 'A.1|North', 'B|Forms'],
        ];
        yield 'words that begin like numbers' => [
            ['1 A lamp', '1 I remember', '1 1984', '1 3 days in May', '1 C. Smith'],
            ['1|A lamp', '2|I remember', '3|1984', '4|3 days in May', '5|C. Smith'],
            true,
        ];
        yield 'the letters of a glossary are no numbers' => [
            ['1 A', '1 B', '1 C', '1 D'],
            ['1|A', '2|B', '3|C', '4|D'],
            true,
        ];
        yield 'years are no numbers' => [['1 1861', '1 1862', '1 1863'], ['1|1861', '2|1862', '3|1863'], true];
        yield 'versions are no numbers' => [
            ['1 Changes', '2 1.2.0 – spring', '2 1.1.9 – winter', '2 1.1.0 – autumn'],
            ['1|Changes', '1.1|1.2.0 – spring', '1.2|1.1.9 – winter', '1.3|1.1.0 – autumn'],
            true,
        ];
    }

    /**
     * @param list<string> $lines
     * @param list<string> $wanted
     */
    #[DataProvider('books')]
    public function testComputesWhatWasPrinted(array $lines, array $wanted, bool $isDecimal = false): void
    {
        $lifting = NumberLifting::from(self::document($lines));
        $numbers = $lifting->document->numbers();

        self::assertSame(
            $wanted,
            array_map(
                static fn(string $number, string $heading): string => $number . '|' . $heading,
                $numbers,
                $lifting->document->headings(),
            ),
        );
        self::assertSame($isDecimal, $lifting->document->setup->numbering->isDecimal());
        self::assertSame([], $lifting->differences);
        self::assertEquals(
            $lifting->document->setup->numbering,
            Scheme::fromJson(json_decode((string) json_encode($lifting->document->setup->numbering->toJson()), true)),
        );
    }

    public function testTellsWhatCannotBeComputed(): void
    {
        $lifting = NumberLifting::from(
            self::document(['1 1. One', '1 2. Two', '1 9. Nine', '1 3. Three', '1 4. Four']),
        );

        self::assertSame([2 => ['9', '3']], $lifting->differences);
        self::assertSame(['1', '2', '3', '3', '4'], $lifting->document->numbers());
    }

    public function testWhatMostlyDiffersIsWords(): void
    {
        $lifting = NumberLifting::from(
            self::document(['1 1. One', '1 7. Two', '1 3. Three', '1 20. Four', '1 11. Five']),
        );

        self::assertSame(['1. One', '7. Two', '3. Three', '20. Four', '11. Five'], $lifting->document->headings());
        self::assertTrue($lifting->document->setup->numbering->isDecimal());
    }

    public function testFiguresThatHardlyCountOnAreWords(): void
    {
        $words = ['1 glass', '2 lamps', '9 keepers', '4 days', '30 nights'];

        self::assertSame(
            $words,
            NumberLifting::from(
                self::document(array_map(static fn(string $heading): string => '1 ' . $heading, $words)),
            )->document->headings(),
        );
    }

    public function testWhereRowsAsOftenGoOnAsBeginAnewEachBeginsAnew(): void
    {
        $lines = [
            '1 Part I',
            '2 Chapter 1',
            '2 Chapter 2',
            '1 Part II',
            '2 Chapter 3',
            '2 Chapter 4',
            '1 Part III',
            '2 Chapter 1',
            '2 Chapter 2',
        ];
        $document = NumberLifting::from(self::document($lines))->document;

        self::assertTrue($document->setup->numbering->findLevel(false, 2)?->restarts);
        self::assertSame(
            [
                'Part I',
                'Chapter 1',
                'Chapter 2',
                'Part II',
                'Chapter 3',
                'Chapter 4',
                'Part III',
                'Chapter 1',
                'Chapter 2',
            ],
            $document->numbers(),
        );
    }

    public function testANumberOnALineOfItsOwnTakesTheLineWithIt(): void
    {
        $lines = [];
        foreach (['Oil', 'Men'] as $index => $words) {
            $heading = Heading::ofInline([
                Node::text('Chapter ' . ($index + 1)),
                new Node('hardBreak'),
                Node::text($words),
            ]);
            $lines[] = [Level::One, Section::blank(Sketch::id($words))->withHeading($heading)];
        }
        $document = NumberLifting::from(Document::of(new TitleBlock(''), $lines))->document;

        self::assertSame(['Oil', 'Men'], $document->headings());
        self::assertEquals([Node::text('Oil')], $document->sectionAt(0)->heading->inline);
    }

    public function testNumbersFollowAMove(): void
    {
        $document = NumberLifting::from(
            self::document(['1 Chapter I: Oil', '1 Chapter II: Men', '1 Chapter III: Loss']),
        )->document;
        $outline = $document->outline;
        $moved = $document->withOutline($outline->without(2, 3)->spliced(0, 0, $outline->slice(2, 3)));

        self::assertSame(['Chapter I', 'Chapter II', 'Chapter III'], $moved->numbers());
        self::assertSame(['Loss', 'Oil', 'Men'], $moved->headings());
    }

    /** ISO/IEC 10646 and common practice: roman numerals as far as they go; letters go on with two after Z. */
    public function testStylesReadWhatTheyWrite(): void
    {
        foreach (NumberStyle::cases() as $style) {
            foreach ([1, 4, 9, 14, 26, 27, 40, 44, 90, 99] as $number) {
                self::assertSame($number, $style->findNumber($style->written($number)), $style->value);
            }
        }
        self::assertSame(
            ['MCMXCIV', 'AA', 'Forty-Two', '0'],
            [
                NumberStyle::UpperRoman->written(1994),
                NumberStyle::UpperLetter->written(27),
                NumberStyle::Spelled->written(42),
                NumberStyle::UpperRoman->written(0),
            ],
        );
        self::assertNull(NumberStyle::UpperRoman->findNumber('IIII'));
    }

    /** @param list<string> $lines */
    private static function document(array $lines): Document
    {
        $ids = new CountingIds();

        return Document::of(
            new TitleBlock(),
            array_map(
                static fn(string $line): array => [
                    Level::from((int) $line[0]),
                    Section::blank($ids->next())->withHeading(Heading::plain(substr($line, 2))),
                ],
                $lines,
            ),
        );
    }
}
