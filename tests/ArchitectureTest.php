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
    #[TestWith(['Format', ['Stemmata\Core', 'Stemmata\Format', 'League\CommonMark', 'Symfony\Component\Yaml']])]
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
}
