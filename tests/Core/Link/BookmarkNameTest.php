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
}
