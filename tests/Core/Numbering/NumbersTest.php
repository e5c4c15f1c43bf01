<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Numbering;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Numbering\InvalidScheme;
use Stemmata\Core\Numbering\LevelNumber;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Outline\Outline;
use Stemmata\Tests\Support\Sketch;

final class NumbersTest extends TestCase
{
    /** ISO 2145: Arabic numerals, a full stop between levels, none after the last; the main divisions from 1 on. */
    public function testNumbersOfDivisionsAfterIso2145(): void
    {
        $outline = Sketch::document('1 a, 2 b, 3 c, 3 d, 2 e, 1 f, 2 g')->outline;

        self::assertSame(['1', '1.1', '1.1.1', '1.1.2', '1.2', '2', '2.1'], Numbers::of($outline, Scheme::decimal()));
    }

    public function testNineLevels(): void
    {
        $outline = Sketch::document('1 a, 2 b, 3 c, 4 d, 5 e, 6 f, 7 g, 8 h, 9 i')->outline;

        self::assertSame('1.1.1.1.1.1.1.1.1', Numbers::of($outline, Scheme::decimal())[8]);
    }

    public function testOthersCloseUpAroundAnUnnumberedSection(): void
    {
        $outline = Sketch::document('0 , 1 preface, 2 inside, 1 a, 2 b, 1 c')->outline->withFlags([
            1 => Outline::UNNUMBERED,
        ]);

        self::assertSame(['', '', '', '1', '1.1', '2'], Numbers::of($outline, Scheme::decimal()));
    }

    public function testASkippedLevelAddsNoPart(): void
    {
        self::assertSame(
            ['1', '1.1', '1.2'],
            Numbers::of(Sketch::document('1 a, 3 b, 2 c')->outline, Scheme::decimal()),
        );
    }

    /** @param array<string, mixed> $changed */
    #[TestWith([[], true])]
    #[TestWith([['word' => 'wwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwww'], true])]
    #[TestWith([['word' => 'wwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwwww'], false])]
    #[TestWith([['word' => 7], false])]
    #[TestWith([['separator' => ' – '], true])]
    #[TestWith([['separator' => ' –– '], false])]
    #[TestWith([['separator' => 7], false])]
    #[TestWith([['start' => 0], true])]
    #[TestWith([['start' => -1], false])]
    #[TestWith([['start' => 999_999], true])]
    #[TestWith([['start' => 1_000_000], false])]
    #[TestWith([['start' => '1'], false])]
    #[TestWith([['style' => 'runes'], false])]
    #[TestWith([['style' => 7], false])]
    public function testANumberOfALevelIsSoundOrRefused(array $changed, bool $isSound): void
    {
        $json = [...(new LevelNumber(word: 'Part'))->toJson(), ...$changed];
        if (!$isSound) {
            $this->expectException(InvalidScheme::class);
        }

        self::assertSame($json, LevelNumber::fromJson($json)->toJson());
    }
}
