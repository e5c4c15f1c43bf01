<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Contents;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Format\Read\Contents\PrintedLine;

/** What a printed line of contents says beside its number and its page. */
final class PrintedLineTest extends TestCase
{
    #[TestWith(["1.1 Oil and wick\t12", '1.1', 'Oil and wick'])]
    #[TestWith(["1.1. Oil and wick\t12", '1.1.', 'Oil and wick'])]
    #[TestWith(['1.1) Oil and wick ..... 12', '1.1', 'Oil and wick'])]
    #[TestWith(['I. Oil and wick · · · · xii', 'I.', 'Oil and wick'])]
    #[TestWith(["I Oil and wick\txii", '', 'I Oil and wick'])]
    #[TestWith(['2.10 Oil   and wick  140', '', 'Oil and wick'])]
    #[TestWith(["A.2\tOil and wick", '', 'Oil and wick'])]
    #[TestWith(['A lamp of 1889', '', 'A lamp of 1889'])]
    #[TestWith(['1889 was dark', '1.1', 'was dark'])]
    public function testWords(string $line, string $number, string $words): void
    {
        self::assertSame($words, PrintedLine::words($line, $number));
    }

    #[TestWith(["2 Oil, and “wick”\t9", 'Oil and wick', true])]
    #[TestWith(['Oil', 'Oil and wick', false])]
    #[TestWith(['anything', '1889', true])]
    public function testSays(string $line, string $heading, bool $says): void
    {
        self::assertSame($says, PrintedLine::says($line, $heading));
    }
}
