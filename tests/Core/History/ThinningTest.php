<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\History;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\History\Thinning;

/**
 * Steps are written as “id<previous@day” with a sign behind: nothing for done, x for overtaken, o for one that can be
 * redone.
 */
final class ThinningTest extends TestCase
{
    public function testTheStepsOfADayAreOne(): void
    {
        self::assertSame(
            ['joined' => [[1, 2, 3], [4, 5]], 'dropped' => []],
            $this->thinned('1<0@1 2<1@1 3<2@1 4<3@2 5<4@2 6<5@3', before: 9),
        );
    }

    public function testTheLastWeeksStayAsTheyAre(): void
    {
        self::assertSame(
            ['joined' => [[1, 2]], 'dropped' => []],
            $this->thinned('1<0@1 2<1@1 3<2@8 4<3@8 5<4@8', before: 8),
        );
    }

    public function testAMilestoneIsTheEndOfARun(): void
    {
        self::assertSame(
            ['joined' => [[1, 2], [3, 4]], 'dropped' => []],
            $this->thinned('1<0@1 2<1@1 3<2@1 4<3@1', before: 9, named: [2]),
        );
        self::assertSame(
            ['joined' => [[2, 3, 4]], 'dropped' => []],
            $this->thinned('1<0@1 2<1@1 3<2@1 4<3@1', before: 9, named: [1]),
        );
    }

    public function testWhatWasUndoneAndOvertakenGoes(): void
    {
        self::assertSame(
            ['joined' => [[1, 4]], 'dropped' => [3, 2]],
            $this->thinned('1<0@1 2<1@1x 3<2@1x 4<1@1', before: 9),
        );
    }

    public function testButNotWhenAMilestoneStandsOnItOrItIsRecent(): void
    {
        self::assertSame(
            ['joined' => [], 'dropped' => []],
            $this->thinned('1<0@1 2<1@1x 3<2@1x 4<1@1', before: 9, named: [3]),
            'the run ends where the branch begins',
        );
        self::assertSame(['joined' => [], 'dropped' => []], $this->thinned('1<0@1 2<1@1x 3<2@9x 4<1@1', before: 5));
    }

    public function testWhatCanBeRedoneStays(): void
    {
        self::assertSame(
            ['joined' => [[1, 2]], 'dropped' => []],
            $this->thinned('1<0@1 2<1@1 3<2@1o 4<3@1o', before: 9),
        );
    }

    /**
     * @param list<int> $named
     *
     * @return array{joined: list<non-empty-list<int>>, dropped: list<int>}
     */
    private function thinned(string $steps, int $before, array $named = []): array
    {
        $read = array_map(static function (string $step): array {
            if (1 !== preg_match('/\A(\d+)<(\d+)@(\d+)([xo]?)\z/', $step, $match)) {
                self::fail('“' . $step . '” is no step.');
            }

            return [
                'id' => (int) $match[1],
                'previous' => (int) $match[2],
                'madeAt' => 86_400 * (int) $match[3] + (int) $match[1],
                'isDone' => '' === $match[4],
                'isOpen' => 'o' === $match[4],
            ];
        }, explode(' ', $steps));

        return Thinning::of($read, $named, 86_400 * $before);
    }
}
