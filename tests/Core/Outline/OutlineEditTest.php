<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Outline;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Tests\Support\Sketch;

/** The way from one outline to another, as it is stored and sent. */
final class OutlineEditTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, list<array{int, int, int}>}> before, after; at,
     *     removed and inserted of each edit
     */
    public static function ways(): iterable
    {
        yield 'nothing' => ['1 a, 2 b', '1 a, 2 b', []];
        yield 'one more' => ['1 a, 1 c', '1 a, 2 b, 1 c', [[1, 0, 1]]];
        yield 'one less' => ['1 a, 2 b, 1 c', '1 a, 1 c', [[1, 1, 0]]];
        yield 'another level' => ['1 a, 2 b, 1 c', '1 a, 3 b, 1 c', [[1, 1, 1]]];
        yield 'the first of all' => ['1 a, 1 b', '1 b', [[0, 1, 0]]];
        yield 'from nothing' => ['', '1 a, 1 b', [[0, 0, 2]]];
        yield 'to nothing' => ['1 a, 1 b', '', [[0, 2, 0]]];
        yield 'a far move is two small edits' => [
            '1 a, 1 b, 1 c, 1 d, 1 e',
            '1 b, 1 c, 1 d, 1 e, 1 a',
            [[0, 1, 0], [4, 0, 1]],
        ];
        yield 'and so is one back' => ['1 a, 1 b, 1 c, 1 d, 1 e', '1 e, 1 a, 1 b, 1 c, 1 d', [[4, 1, 0], [0, 0, 1]]];
        yield 'the moved branch may change its levels' => [
            '1 a, 2 b, 1 c, 1 d, 1 e',
            '1 c, 1 d, 1 e, 2 a, 3 b',
            [[0, 2, 0], [3, 0, 2]],
        ];
        yield 'what stays may not' => ['1 a, 1 b, 1 c', '2 b, 2 c, 1 a', [[0, 3, 3]]];
    }

    /** @param list<array{int, int, int}> $edits */
    #[DataProvider('ways')]
    public function testTheShortWay(string $before, string $after, array $edits): void
    {
        $way = OutlineEdit::between(self::outline($before), self::outline($after));

        self::assertSame(
            $edits,
            array_map(
                static fn(OutlineEdit $edit): array => [$edit->at, $edit->removed->count(), $edit->inserted->count()],
                $way,
            ),
        );
        self::assertArrives(self::outline($before), self::outline($after), $way);
    }

    public function testAnyTwoOutlinesAreConnectedThereAndBack(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $moves = 0;
        for ($run = 0; $run < 500; ++$run) {
            $before = self::random($random, range('a', 'l'));
            $after = 0 === $run % 2 ? self::random($random, range('a', 'l')) : self::rotated($before, $random);
            $way = OutlineEdit::between($before, $after);
            self::assertArrives($before, $after, $way);
            $moves += 2 === count($way) ? 1 : 0;
        }
        self::assertGreaterThan(100, $moves, 'moves are seen as moves');
    }

    public function testOneLetterOfTenThousandSectionsIsFound(): void
    {
        $ids = implode('', array_map(static fn(int $nth): string => sprintf('n%011d', $nth), range(1, 10_000)));
        $before = Outline::packed($ids, str_repeat('2', 10_000), str_repeat('0', 10_000));
        foreach ([0, 1, 4999, 9998, 9999] as $at) {
            [$edit] = OutlineEdit::between($before, $before->withFlags([$at => Outline::UNNUMBERED]));
            self::assertSame([$at, 1, 1], [$edit->at, $edit->removed->count(), $edit->inserted->count()]);
        }
    }

    /** @param list<OutlineEdit> $way */
    private static function assertArrives(Outline $before, Outline $after, array $way): void
    {
        $there = array_reduce(
            $way,
            static fn(Outline $at, OutlineEdit $edit): Outline => $edit->appliedTo($at),
            $before,
        );
        self::assertEquals($after, $there);
        $back = array_reduce(
            array_reverse($way),
            static fn(Outline $at, OutlineEdit $edit): Outline => $edit->inverted()->appliedTo($at),
            $there,
        );
        self::assertEquals($before, $back);
    }

    private static function outline(string $sketch): Outline
    {
        return Sketch::document($sketch)->outline;
    }

    /** @param list<string> $names */
    private static function random(Randomizer $random, array $names): Outline
    {
        $some = array_slice($random->shuffleArray($names), 0, $random->getInt(0, count($names)));

        return self::outline(
            implode(', ', array_map(static fn(string $name): string => $random->getInt(1, 3) . ' ' . $name, $some)),
        );
    }

    private static function rotated(Outline $outline, Randomizer $random): Outline
    {
        [$from, $turn, $to] = [
            $random->getInt(0, $outline->count()),
            $random->getInt(0, $outline->count()),
            $random->getInt(0, $outline->count()),
        ];
        [$from, $turn, $to] = [
            min($from, $turn, $to),
            $from + $turn + $to - min($from, $turn, $to) - max($from, $turn, $to),
            max($from, $turn, $to),
        ];

        return $outline
            ->slice(0, $from)
            ->followedBy($outline->slice($turn, $to))
            ->followedBy($outline->slice($from, $turn))
            ->followedBy($outline->slice($to, $outline->count()));
    }
}
