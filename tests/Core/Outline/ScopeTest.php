<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Outline;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Outline\Scope;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;

final class ScopeTest extends TestCase
{
    private const BOOK = '1 A, 2 B, 3 C, 2 D, 1 E, 2 F, 1 G';

    /**
     * @param list<string> $heads
     * @param list<array{int, int}> $runs
     */
    #[TestWith([['A'], true, [[0, 4]], '1 A, 2 B, 3 C, 2 D'])]
    #[TestWith([['B', 'E'], true, [[1, 3], [4, 6]], '2 B, 3 C, 1 E, 2 F'])]
    #[TestWith([['E', 'B'], true, [[1, 3], [4, 6]], '2 B, 3 C, 1 E, 2 F'], 'in the order of the document')]
    #[TestWith([['A', 'C'], true, [[0, 4]], '1 A, 2 B, 3 C, 2 D'], 'one in another')]
    #[TestWith([['A', 'E'], true, [[0, 6]], '1 A, 2 B, 3 C, 2 D, 1 E, 2 F'], 'neighbours')]
    #[TestWith([['A'], false, [[0, 1]], '1 A'], 'its own text alone')]
    #[TestWith([['B', 'D'], false, [[1, 2], [3, 4]], '2 B, 2 D'])]
    #[TestWith([['Z', 'G'], true, [[6, 7]], '1 G'], 'one that is gone')]
    #[TestWith([['Z'], true, [], ''])]
    public function testIsTheBranchesOfItsHeads(array $heads, bool $withBranches, array $runs, string $part): void
    {
        $document = Sketch::document(self::BOOK);
        $scope = Scope::of($document->outline, array_map(Sketch::id(...), $heads), $withBranches);

        self::assertSame($runs, $scope->runs);
        self::assertSame([] === $runs, $scope->isEmpty());
        if ([] !== $runs) {
            self::assertSame($part, Sketch::of($document->part($scope)));
        }
    }

    /** @param list<string> $heads */
    #[TestWith([['A'], true, '1232'])]
    #[TestWith([['B'], true, '12'])]
    #[TestWith([['C', 'F'], true, '11'])]
    #[TestWith([['B', 'D', 'E'], true, '12112'], 'side by side')]
    #[TestWith([['B', 'D'], false, '11'])]
    #[TestWith([['Z'], true, ''])]
    public function testByItselfEachBranchBeginsAtTheFirstLevel(array $heads, bool $withBranches, string $levels): void
    {
        $outline = Sketch::document(self::BOOK)->outline;
        $scope = Scope::of($outline, array_map(Sketch::id(...), $heads), $withBranches);

        self::assertSame($levels, $scope->byItself($outline)->levels);
    }

    public function testAPartKeepsItsNumbersAndSoDoItsFiles(): void
    {
        $document = Sketch::document(self::BOOK);
        $scope = Scope::of($document->outline, [Sketch::id('E'), Sketch::id('B')], true);
        $part = $document->part($scope);

        self::assertSame(['1.1', '1.1.1', '2', '2.1'], $part->numbers());
        self::assertSame(['1.1', '1.1.1', '2', '2.1'], $scope->among($document->numbers()));
        self::assertSame('Sketch', $part->titleBlock->title);
        $html = Services::formats()->written('html', $part);
        $numbers = [];
        preg_match_all('/<span data-number>([^<]*)</', $html, $numbers);
        self::assertSame(['1.1', '1.1.1', '2', '2.1'], $numbers[1], $html);
        self::assertStringNotContainsString('Text of D.', $html);
        self::assertStringContainsString('Text of F.', $html);
    }

    public function testOneBranchIsCalledByItsHeading(): void
    {
        $document = Sketch::document(self::BOOK);

        self::assertSame('B', Sketch::branch($document, Sketch::id('B'))->titleBlock->title);
    }
}
