<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Numbering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Numbering\InvalidScheme;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** One number in each style, and whole documents in schemes of several. */
final class NumberStyleTest extends TestCase
{
    /**
     * @return iterable<string, array{NumberStyle, array<int,
     *     string>}> common practice; the roman ones are the years of well-known inscriptions and the hard cases of
     *     subtraction
     */
    public static function signs(): iterable
    {
        yield 'roman' => [
            NumberStyle::UpperRoman,
            [
                1 => 'I',
                4 => 'IV',
                9 => 'IX',
                14 => 'XIV',
                40 => 'XL',
                49 => 'XLIX',
                90 => 'XC',
                99 => 'XCIX',
                400 => 'CD',
                444 => 'CDXLIV',
                900 => 'CM',
                1776 => 'MDCCLXXVI',
                1999 => 'MCMXCIX',
                2026 => 'MMXXVI',
                3999 => 'MMMCMXCIX',
            ],
        ];
        yield 'small roman' => [NumberStyle::LowerRoman, [1 => 'i', 4 => 'iv', 18 => 'xviii']];
        yield 'letters' => [
            NumberStyle::UpperLetter,
            [1 => 'A', 2 => 'B', 26 => 'Z', 27 => 'AA', 28 => 'AB', 52 => 'AZ', 53 => 'BA', 702 => 'ZZ'],
        ];
        yield 'small letters' => [NumberStyle::LowerLetter, [1 => 'a', 27 => 'aa']];
        yield 'spelled' => [
            NumberStyle::Spelled,
            [
                0 => 'Zero',
                1 => 'One',
                12 => 'Twelve',
                19 => 'Nineteen',
                20 => 'Twenty',
                21 => 'Twenty-One',
                99 => 'Ninety-Nine',
            ],
        ];
        yield 'spelled in capitals' => [NumberStyle::SpelledCapitals, [7 => 'SEVEN', 42 => 'FORTY-TWO']];
        yield 'figures' => [NumberStyle::Arabic, [0 => '0', 10 => '10', 999_999 => '999999']];
    }

    /** @param array<int, string> $signs */
    #[DataProvider('signs')]
    public function testIsWrittenAndRead(NumberStyle $style, array $signs): void
    {
        foreach ($signs as $number => $sign) {
            self::assertSame($sign, $style->written($number));
            self::assertSame($number, $style->findNumber($sign));
        }
    }

    public function testEveryNumberReadsBackInEveryStyle(): void
    {
        foreach (NumberStyle::cases() as $style) {
            $most = match ($style) {
                NumberStyle::UpperRoman, NumberStyle::LowerRoman => 3999,
                NumberStyle::UpperLetter, NumberStyle::LowerLetter => 702,
                NumberStyle::Spelled, NumberStyle::SpelledCapitals => 99,
                NumberStyle::Arabic => 5000,
            };
            for ($number = 1; $number <= $most; ++$number) {
                self::assertSame($number, $style->findNumber($style->written($number)));
            }
        }
    }

    public function testBeyondItsSignsAStyleWritesFigures(): void
    {
        self::assertSame(
            ['0', '4000', '100', '0'],
            [
                NumberStyle::UpperRoman->written(0),
                NumberStyle::LowerRoman->written(4000),
                NumberStyle::Spelled->written(100),
                NumberStyle::UpperLetter->written(0),
            ],
        );
    }

    public function testWhatOnlyLooksLikeANumberIsNone(): void
    {
        foreach (
            ['', 'IIII', 'MMMM', 'ABC', 'aB', 'Onety', 'Twenty-Twelve', 'twenty-One', '1.', '-1', '1234567', 'É']
            as $text
        ) {
            self::assertSame([], NumberStyle::stylesOf($text), $text);
        }
        self::assertSame([NumberStyle::UpperRoman, NumberStyle::UpperLetter], NumberStyle::stylesOf('I'));
        self::assertSame([NumberStyle::UpperLetter], NumberStyle::stylesOf('B'));
        self::assertSame(
            [NumberStyle::UpperLetter],
            NumberStyle::stylesOf('VX'),
            'no roman one: five is never taken from ten',
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>}> outline, scheme, numbers */
    public static function schemes(): iterable
    {
        $level = static fn(string $style, mixed ...$more): array => ['style' => $style, ...$more];
        yield 'parts in roman, chapters counted through them' => [
            '1 a, 2 b, 2 c, 1 d, 2 e',
            [
                'levels' => [
                    1 => $level('upper-roman', word: 'Part'),
                    2 => $level('arabic', word: 'Chapter', withParents: false, restarts: false),
                ],
            ],
            ['Part I', 'Chapter 1', 'Chapter 2', 'Part II', 'Chapter 3'],
        ];
        yield 'chapters counted anew in each part' => [
            '1 a, 2 b, 1 c, 2 d',
            ['levels' => [1 => $level('spelled', word: 'Part'), 2 => $level('arabic', withParents: false)]],
            ['Part One', '1', 'Part Two', '1'],
        ];
        yield 'legal: 1 (a) (i)' => [
            '1 a, 2 b, 3 c, 3 d, 2 e',
            [
                'levels' => [
                    1 => $level('arabic'),
                    2 => $level('lower-letter', withParents: false),
                    3 => $level('lower-roman', withParents: false),
                ],
            ],
            ['1', 'a', 'i', 'ii', 'b'],
        ];
        yield 'arguments that start from nought' => [
            '1 a, 1 b, 2 c',
            ['levels' => [1 => $level('arabic', start: 0), 2 => $level('arabic', start: 0)]],
            ['0', '1', '1.0'],
        ];
        yield 'only the first level bears numbers' => [
            '1 a, 2 b, 1 c',
            ['levels' => [1 => $level('arabic')]],
            ['1', '', '2'],
        ];
        yield 'a hyphen between' => [
            '1 a, 2 b',
            ['levels' => [1 => $level('arabic'), 2 => $level('arabic', separator: '-')]],
            ['1', '1-1'],
        ];
        yield 'a skipped level counts as nought when the file did so' => [
            '1 a, 3 b',
            ['levels' => [1 => $level('arabic'), 3 => $level('arabic', fillsSkipped: true)]],
            ['1', '1.0.1'],
        ];
        yield 'no scheme at all' => ['1 a, 2 b', ['levels' => []], ['', '']];
    }

    /**
     * @param array<string, mixed> $json
     * @param list<string>         $numbers
     */
    #[DataProvider('schemes')]
    public function testASchemeNumbersAnOutline(string $outline, array $json, array $numbers): void
    {
        $scheme = Scheme::fromJson($json);
        self::assertSame($numbers, Numbers::of(Sketch::document($outline)->outline, $scheme));
        self::assertEquals(
            $scheme,
            Scheme::fromJson(json_decode(json_encode($scheme->toJson(), \JSON_THROW_ON_ERROR), true)),
            'as it is stored',
        );
    }

    public function testAppendicesAreCountedByThemselves(): void
    {
        $document = Sketch::document('1 a, 1 b, 2 c, 1 d');
        $document = Wire::done($document, ['name' => 'describe-section', 'sections' => ['b', 'd'], 'appendix' => true])
            ->document;
        $document = Wire::done($document, [
            'name' => 'use-numbering',
            'numbering' => [
                'levels' => [1 => ['style' => 'arabic']],
                'appendices' => [1 => ['style' => 'upper-letter', 'word' => 'Appendix'], 2 => ['style' => 'arabic']],
            ],
        ])->document;

        self::assertSame(['1', 'Appendix A', 'A.1', 'Appendix B'], $document->numbers());
    }

    public function testASectionTakenOutOfTheNumberingLetsTheOthersCloseUp(): void
    {
        $document = Wire::done(Sketch::document('1 a, 1 b, 2 c, 1 d, 2 e'), [
            'name' => 'describe-section',
            'sections' => ['b'],
            'numbered' => false,
        ])->document;

        self::assertSame(['1', '', '', '2', '2.1'], $document->numbers());
    }

    /** @return iterable<string, array{mixed}> */
    public static function noSchemes(): iterable
    {
        yield 'a word' => ['decimal'];
        yield 'levels that are a word' => [['levels' => 'x']];
        yield 'level nought' => [['levels' => [0 => ['style' => 'arabic']]]];
        yield 'level ten' => [['levels' => [10 => ['style' => 'arabic']]]];
        yield 'a style that nobody knows' => [['levels' => [1 => ['style' => 'klingon']]]];
        yield 'a level that is a word' => [['levels' => [1 => 'arabic']]];
        yield 'a start before nought' => [['levels' => [1 => ['style' => 'arabic', 'start' => -1]]]];
        yield 'a word without end' => [['levels' => [1 => ['style' => 'arabic', 'word' => str_repeat('x', 41)]]]];
        yield 'a separator without end' => [['levels' => [1 => ['style' => 'arabic', 'separator' => '----']]]];
        yield 'a start of one section before nought' => [['starts' => ['abcdefghijkl' => -1]]];
    }

    #[DataProvider('noSchemes')]
    public function testWhatIsNoSchemeIsRefused(mixed $json): void
    {
        $this->expectException(InvalidScheme::class);
        $this->expectExceptionMessageMatches('/\A[A-Z].*\.\z/');
        Scheme::fromJson($json);
    }
}
