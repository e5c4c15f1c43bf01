<?php

declare(strict_types=1);

namespace Stemmata\Tests;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Who may know whom: see docs/architecture.md. */
final class ArchitectureTest extends TestCase
{
    private const MOST_FILES = 20;

    /** @param list<string> $allowed beginnings of names that files of the layer may use */
    #[TestWith(['Core', ['Stemmata\Core', 'Brick\Math', 'SebastianBergmann\Diff']])]
    #[
        TestWith([
            'Format',
            [
                'Stemmata\Core',
                'Stemmata\Disk',
                'Stemmata\Format',
                'League\CommonMark',
                'Symfony\Component\Process',
                'Symfony\Component\Yaml',
            ],
        ]),
    ]
    #[
        TestWith([
            'Typesetting',
            ['Stemmata\Core', 'Stemmata\Format\Shared', 'Stemmata\Format\Write\DocumentWriter', 'Stemmata\Typesetting'],
        ]),
    ]
    #[TestWith(['Storage', ['Stemmata\Core', 'Stemmata\Disk', 'Stemmata\Storage', 'Doctrine', 'Psr\Clock', 'Random']])]
    public function testLayerKnowsOnlyWhatIsBelowIt(string $layer, array $allowed): void
    {
        $files = new \RegexIterator(
            new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__) . '/src/' . $layer)),
            '/\.php$/',
        );
        $seen = 0;
        foreach ($files as $file) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            preg_match_all(
                '/^use (?:function )?([^;]+);|(?<![\w\\\\])\\\\((?:Symfony|Doctrine|League|Stemmata)\\\\[\w\\\\]+)/m',
                (string) file_get_contents($file->getPathname()),
                $used,
            );
            foreach (array_filter([...$used[1], ...$used[2]]) as $name) {
                $isAllowed =
                    [] !==
                    array_filter($allowed, static fn(string $beginning): bool => str_starts_with($name, $beginning));
                self::assertTrue($isAllowed, sprintf('%s may not use %s.', $file->getFilename(), $name));
            }
            ++$seen;
        }
        self::assertGreaterThan(5, $seen);
    }

    /** A folder that needs another is not needed by it, not by a detour either. */
    public function testNoFoldersGoInACircle(): void
    {
        $needs = self::foldersNeeded();
        $settled = [];
        do {
            $free = array_filter($needs, static fn(array $needed): bool => [] === array_diff_key($needed, $settled));
            $settled += $free;
            $needs = array_diff_key($needs, $free);
        } while ([] !== $free);

        self::assertGreaterThan(30, count($settled));
        self::assertSame([], array_keys($needs), 'These folders of src need each other in a circle, or one that does.');
    }

    public function testNoFolderIsTooFullToReadAtAGlance(): void
    {
        $counts = array_count_values(array_map(dirname(...), array_keys(self::sources())));

        self::assertSame([], array_filter($counts, static fn(int $count): bool => $count > self::MOST_FILES));
    }

    public function testTheCoreHasNoClockNoRandomnessAndNoFiles(): void
    {
        $outside =
            '/(?<![\w>:])(?:time|microtime|date|rand|mt_rand|random_int|random_bytes|fopen|file_get_contents|getenv|global|header)\s*\(/';
        $found = [];
        foreach (
            array_filter(array_keys(self::sources()), static fn(string $file): bool => str_starts_with($file, 'Core/'))
            as $file
        ) {
            if (1 === preg_match($outside, php_strip_whitespace(dirname(__DIR__) . '/src/' . $file))) {
                $found[] = $file;
            }
        }

        self::assertSame([], $found);
    }

    /**
     * Nothing else can write: transactions and flushes are WriteLock's, and rows are written by the classes that run
     * within it.
     */
    public function testThereIsOneWayToWrite(): void
    {
        $transactions = self::sourcesWith(
            '/->(?:beginTransaction|wrapInTransaction|transactional|commit|flush|rollBack)\(|\bBEGIN\b/',
        );
        self::assertSame(
            ['Http/Request/OneSnapshot.php', 'Storage/Database/SqliteSql.php', 'Storage/Database/WriteLock.php'],
            $transactions,
            'OneSnapshot only reads, and rolls back; the triggers of SqliteSql run within what writes',
        );

        $statements = self::sourcesWith(
            '/->(?:executeStatement|insert|update|delete|persist)\(|->remove\(\$(?:record|milestone)|[\'"](?:INSERT|UPDATE|DELETE|REPLACE) /',
        );
        $withTheLock = [
            'Storage/Database/Bound.php',
            'Storage/Database/SqliteSql.php',
            'Storage/Database/WriteLock.php',
            'Storage/Desk/Desk.php',
            'Storage/Desk/KeptHouseStyles.php',
            'Storage/Desk/KeptStarters.php',
            'Storage/File/StoredFiles.php',
            'Storage/History/Journal.php',
            'Storage/History/Milestones.php',
            'Storage/Section/OffcutRows.php',
            'Storage/Section/Recount.php',
            'Storage/Section/SectionRows.php',
            'Storage/Section/WritingLog.php',
        ];
        self::assertSame($withTheLock, $statements);
        foreach (['ChangeWriter', 'Journal', 'OffcutRows', 'SectionRows', 'StoredFiles'] as $inner) {
            self::assertSame(
                [],
                array_filter(
                    self::sourcesWith('/\b' . $inner . ' \$/'),
                    static fn(string $file): bool => !str_starts_with($file, 'Storage/') &&
                        !in_array(
                            $file,
                            [
                                'Http/Document/KeptFileController.php',
                                'Http/Document/PictureController.php',
                                'Http/History/HistoryController.php',
                                'Http/TextIn/ReadingWorker.php',
                            ],
                            true,
                        ),
                ),
                $inner . ' is used within the lock only',
            );
        }
    }

    /** Another database needs classes of its own in this folder, and no others (decision 15). */
    public function testWordsThatOnlySqliteUnderstandsStandInOneFolder(): void
    {
        $sources = self::sourcesWith(
            '/rowid|PRAGMA|\bOR (?:IGNORE|REPLACE)\b|\+document_id|sqlite_|randomblob|GROUP_CONCAT|strftime|GLOB /i',
        );

        self::assertSame(
            [],
            array_values(
                array_filter($sources, static fn(string $file): bool => !str_starts_with($file, 'Storage/Database/')),
            ),
        );
    }

    public function testTheClockIsHandedIn(): void
    {
        self::assertSame(
            [],
            array_values(
                array_filter(
                    self::sourcesWith('/(?<![\w>:])time\(\)|new \\\\?DateTime(?:Immutable)?\(\)/'),
                    static fn(string $file): bool => str_starts_with($file, 'Storage/'),
                ),
            ),
        );
    }

    /** @return list<string> files of src but for the formats, which know no database, by path from there */
    private static function sourcesWith(string $pattern): array
    {
        $matching = array_filter(
            self::sources(),
            static fn(string $source, string $file): bool => !str_starts_with($file, 'Format/') &&
                1 === preg_match($pattern, $source),
            \ARRAY_FILTER_USE_BOTH,
        );

        return array_keys($matching);
    }

    /** @return array<string, array<string, true>> which other folders of src each folder uses something of */
    private static function foldersNeeded(): array
    {
        $needs = [];
        foreach (self::sources() as $file => $source) {
            $folder = dirname($file);
            $needs[$folder] ??= [];
            preg_match_all(
                '/Stemmata\\\\([\w\\\\]+)\\\\\w+/',
                (string) preg_replace('/^namespace .*$/m', '', $source),
                $used,
            );
            foreach ($used[1] as $name) {
                $other = str_replace('\\', '/', $name);
                if ($other !== $folder && is_dir(dirname(__DIR__) . '/src/' . $other)) {
                    $needs[$folder][$other] = true;
                }
            }
        }

        return $needs;
    }

    /** @return array<string, string> the source of each file of src, by its path from there, in order */
    private static function sources(): array
    {
        $src = dirname(__DIR__) . '/src/';
        $sources = [];
        foreach (
            new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($src)), '/\.php$/')
            as $file
        ) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            $sources[substr($file->getPathname(), strlen($src))] = (string) file_get_contents($file->getPathname());
        }
        ksort($sources);

        return $sources;
    }
}
