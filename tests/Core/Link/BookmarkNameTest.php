<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Link;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Link\LinkTarget;

final class BookmarkNameTest extends TestCase
{
    /** Common practice: begins with a letter; letters, digits, underscore; at most 40 characters. */
    #[TestWith(['watch_rule', true])]
    #[TestWith(['šifra2', true])]
    #[TestWith(['two words', false])]
    #[TestWith(['2nd', false])]
    #[TestWith(['_x', false])]
    #[TestWith(['a-b', false])]
    #[TestWith(['', false])]
    #[TestWith(['aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa', true])]
    #[TestWith(['aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa', false])]
    public function testValid(string $name, bool $isValid): void
    {
        self::assertSame($isValid, BookmarkName::isValid($name));
    }

    #[TestWith(['Damp, salt & oil', 'Damp_salt_oil'])]
    #[TestWith(['1895', 'a1895'])]
    #[TestWith(['  ', 'a'])]
    public function testMadeFromWords(string $words, string $name): void
    {
        self::assertSame($name, BookmarkName::madeFrom($words));
        self::assertTrue(BookmarkName::isValid($name));
    }

    public function testTheFirstFreeNumberIsTaken(): void
    {
        $taken = ['gap', 'gap_2'];

        self::assertSame(
            'gap_3',
            BookmarkName::free('gap', static fn(string $name): bool => in_array($name, $taken, true)),
        );
    }

    #[TestWith(['https://example.org/a?b=c', true])]
    #[TestWith(['mailto:keeper@example.org', true])]
    #[TestWith(['section:abcdefghijkl', true])]
    #[TestWith(['plan.odt', true])]
    #[TestWith(['#place', true])]
    #[TestWith(['javascript:alert(1)', false])]
    #[TestWith(['JAVASCRIPT:alert(1)', false])]
    #[TestWith(['vbscript:x', false])]
    #[TestWith(['', false])]
    public function testTargetsThatCouldRunAreNone(string $target, bool $isValid): void
    {
        self::assertSame($isValid, LinkTarget::isValid($target));
    }

    #[TestWith([1])]
    #[TestWith([19])]
    #[TestWith([20])]
    #[TestWith([21])]
    #[TestWith([41])]
    #[TestWith([42])]
    #[TestWith([100])]
    public function testManyNamesAreTaken(int $taken): void
    {
        $isTaken = static fn(string $name): bool => 'gap' === $name ||
            (1 === preg_match('/\Agap_(\d+)\z/', $name, $number) && $number[1] <= $taken);

        self::assertSame('gap_' . max(2, $taken + 1), BookmarkName::free('gap', $isTaken));
    }

    public function testANumberFitsIntoTheLengthOfAName(): void
    {
        $long = str_repeat('a', BookmarkName::MAX_LENGTH);
        $free = BookmarkName::free($long, static fn(string $name): bool => $name === $long);

        self::assertSame(str_repeat('a', BookmarkName::MAX_LENGTH - 2) . '_2', $free);
        self::assertTrue(BookmarkName::isValid($free));
    }
}
