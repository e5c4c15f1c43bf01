<?php

declare(strict_types=1);

namespace Stemmata\Tests;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Who may know whom: see docs/architecture.md. */
final class ArchitectureTest extends TestCase
{
    /** @param list<string> $allowed beginnings of names that files of the layer may use */
    #[TestWith(['Core', ['Stemmata\Core', 'Brick\Math', 'SebastianBergmann\Diff']])]
    #[TestWith(['Format', ['Stemmata\Core', 'Stemmata\Format', 'League\CommonMark', 'Symfony\Component\Process', 'Symfony\Component\Yaml']])]
    #[TestWith(['Storage', ['Stemmata\Core', 'Stemmata\Storage', 'Doctrine', 'Random']])]
    public function testLayerKnowsOnlyWhatIsBelowIt(string $layer, array $allowed): void
    {
        $files = new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__).'/src/'.$layer)), '/\.php$/');
        $seen = 0;
        foreach ($files as $file) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            preg_match_all('/^use (?:function )?([^;]+);|(?<![\w\\\\])\\\\((?:Symfony|Doctrine|League|Stemmata)\\\\[\w\\\\]+)/m', (string) file_get_contents($file->getPathname()), $used);
            foreach (array_filter([...$used[1], ...$used[2]]) as $name) {
                $isAllowed = [] !== array_filter($allowed, static fn (string $beginning): bool => str_starts_with($name, $beginning));
                self::assertTrue($isAllowed, sprintf('%s may not use %s.', $file->getFilename(), $name));
            }
            ++$seen;
        }
        self::assertGreaterThan(5, $seen);
    }

    public function testTheCoreHasNoClockNoChanceAndNoFiles(): void
    {
        $source = (string) shell_exec('cat $(find '.escapeshellarg(dirname(__DIR__).'/src/Core').' -name "*.php")');

        self::assertDoesNotMatchRegularExpression('/(?<![\w>:])(?:time|microtime|date|rand|mt_rand|random_int|random_bytes|fopen|file_get_contents|getenv|global|header)\s*\(/', $source);
    }

    /** Nothing else can write: transactions and flushes are WriteLock's, and rows are written by the classes that run within it. */
    public function testThereIsOneWayToWrite(): void
    {
        $transactions = self::sourcesWith('/->(?:beginTransaction|wrapInTransaction|transactional|commit|flush|rollBack)\(|\bBEGIN\b/');
        self::assertSame(['Http/OneSnapshot.php', 'Storage/WriteLock.php'], $transactions, 'OneSnapshot only reads, and rolls back');

        $statements = self::sourcesWith('/->(?:executeStatement|insert|update|delete|persist)\(|->remove\(\$(?:record|milestone)|[\'"](?:INSERT|UPDATE|DELETE|REPLACE) /');
        $withTheLock = ['Storage/Bound.php', 'Storage/Desk.php', 'Storage/Journal.php', 'Storage/KeptStarters.php', 'Storage/Milestones.php', 'Storage/OffcutRows.php', 'Storage/SectionRows.php', 'Storage/WriteLock.php'];
        self::assertSame($withTheLock, $statements);
        foreach (['ChangeWriter', 'Journal', 'OffcutRows', 'SectionRows'] as $inner) {
            self::assertSame([], array_filter(self::sourcesWith('/\b'.$inner.' \$/'), static fn (string $file): bool => !str_starts_with($file, 'Storage/') && !in_array($file, ['Http/HistoryController.php', 'Http/ReadingWorker.php'], true)), $inner.' is used within the lock only');
        }
    }

    /** @return list<string> files of src but for the formats, which know no database, by path from there */
    private static function sourcesWith(string $pattern): array
    {
        $src = dirname(__DIR__).'/src/';
        $found = [];
        foreach (new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($src)), '/\.php$/') as $file) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            if (!str_starts_with($file->getPathname(), $src.'Format/') && 1 === preg_match($pattern, (string) file_get_contents($file->getPathname()))) {
                $found[] = substr($file->getPathname(), strlen($src));
            }
        }
        sort($found);

        return $found;
    }
}
