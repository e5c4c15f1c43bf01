<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Calculation;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Calculation\Calculation;
use Stemmata\Core\Calculation\Effort;
use Stemmata\Core\Calculation\Solved;
use Stemmata\Core\Calculation\Unsolved;

final class CalculationTest extends TestCase
{
    #[TestWith(['20!/(3!·17!)', '1140'])]
    #[TestWith(['choose(20; 3)', '1140'])]
    #[TestWith(['20!', '2432902008176640000'], 'OEIS A000142')]
    #[TestWith(['choose(20; 10)', '184756'], 'OEIS A000984')]
    #[TestWith(['0.1 + 0.2', '0.3'])]
    #[TestWith(['1/3', '1/3 ≈ 0.333333333333'])]
    #[TestWith(['1/3 + 1/6', '0.5'])]
    #[TestWith(['-2^2', '-4'])]
    #[TestWith(['2^3^2', '512'])]
    #[TestWith(['2^-2', '0.25'])]
    #[TestWith(['12 ÷ 4 − 1', '2'])]
    #[TestWith(['7.5% × 1118', '83.85'])]
    #[TestWith(['1000!', 'a number of 2,568 digits'])]
    public function testIsExact(string $expression, string $result): void
    {
        self::assertEquals(new Solved($result), Calculation::of($expression));
    }

    #[TestWith(['en', '1,234.5 + 0.5', '1235'])]
    #[TestWith(['en', '1,234,567 * 2', '2469134'])]
    #[TestWith(['en', 'choose(20, 3)', '1140'])]
    #[TestWith(['en', 'choose(5,120)', '0'])]
    #[TestWith(['de', '1.234,5 + 0,5', '1235'])]
    #[TestWith(['de-AT', '1.000.000 / 4', '250000'])]
    #[TestWith(['de', '0.5 + 1,5', '2'])]
    #[TestWith(['fr', "1\u{202F}234,5 × 2", '2469'])]
    #[TestWith(['de-CH', '1’234.5 × 2', '2469'])]
    #[TestWith(['', '12,5 + 1', null])]
    public function testReadsNumbersAsTheLanguageWritesThem(string $language, string $expression, ?string $result): void
    {
        $answer = Calculation::of($expression, language: $language);
        self::assertSame($result, $answer instanceof Solved ? $answer->result : null);
    }

    #[TestWith(['', 'Nothing is to be worked out yet.'])]
    #[TestWith(['(2', 'The calculation breaks off; something is missing at its end.'])]
    #[TestWith(['2 3', 'Only numbers, + − × ÷ ^ ! and brackets can be calculated; “3” at place 3 does not fit.'])]
    #[TestWith(['ä + 1', 'Only numbers, + − × ÷ ^ ! and brackets can be calculated; “ä” at place 1 does not fit.'])]
    #[TestWith(['1/(2-2)', 'Nothing can be divided by zero.'])]
    #[TestWith(['0^-1', 'Nothing can be divided by zero.'])]
    #[TestWith(['2.5!', 'A factorial needs a whole number from 0 to 2,000.'])]
    #[TestWith(['9^9^9', 'A power needs a whole number from 0 to 10,000.'])]
    public function testSaysWhatIsWrong(string $expression, string $sentence): void
    {
        self::assertEquals(new Unsolved($sentence), Calculation::of($expression));
    }

    public function testHostileExpressionsEndSoon(): void
    {
        foreach (
            [
                str_repeat('(', 1900),
                str_repeat('2^', 900) . '2',
                str_repeat('-', 1999) . '1',
                str_repeat('9', 2000) . '^10000',
                '2000!^50',
                str_repeat('9', 3000),
                implode('*', array_fill(0, 300, '2000!')),
                '99999999999999999999^9999',
            ]
            as $hostile
        ) {
            self::assertInstanceOf(
                str_starts_with($hostile, '-') ? Solved::class : Unsolved::class,
                Calculation::of($hostile),
                substr($hostile, 0, 20),
            );
        }
    }

    public function testALargeFactorialIsExactAndTakesAMoment(): void
    {
        $solved = Calculation::of('2000!/1999!');

        self::assertInstanceOf(Solved::class, $solved);
        self::assertSame('2000', $solved->result);
    }

    public function testTheCalculationsOfADocumentHaveOneBudget(): void
    {
        $effort = new Effort();
        $solved = 0;
        while (
            ($answer = Calculation::of('2000!/1999! + choose(2000; 1000)', $effort)) instanceof Solved &&
            $solved < 100_000
        ) {
            ++$solved;
        }
        self::assertGreaterThan(100, $solved);
        self::assertEquals(
            new Unsolved('The calculations of this document take too much work together; this one was not worked out.'),
            $answer,
        );
        self::assertEquals(new Solved('4'), Calculation::of('2 + 2'), 'another document has a budget of its own');
        self::assertEquals(
            new Unsolved('This takes too much work; split it into smaller calculations.'),
            Calculation::of(str_repeat('9^9999-', 280) . '1'),
        );
    }
}
