<?php

declare(strict_types=1);

namespace Stemmata\Tests\Mutants;

use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** A copy of the project in which one mistake at a time is made and looked for by the tests nearest to it. */
final class Workbench
{
    /** Seconds; a mistake by which the tests do not come to an end is noticed, too. */
    private const LIMIT = 240;
    private const LIMIT_IN_THE_BROWSER = 1500;
    private const BUILD = ['npx', 'vite', 'build'];
    /** The suites near to a folder, the quickest first. */
    private const SUITES = [
        'src/Core/' => [
            'tests/Core/RecordedRunsTest.php',
            'tests/Core',
            'tests/Format/RecordedReadingsTest.php',
            'tests/Format/RecordedWritingsTest.php',
            'tests/Format/RoundTripTest.php',
            'tests/Format/WrittenFilesTest.php',
            'tests/Format/Write',
            'tests/Http/OperationsOverHttpTest.php',
            'tests/Http/DocumentOverHttpTest.php',
        ],
        'src/Format/' => [
            'tests/Format/RecordedReadingsTest.php',
            'tests/Format/RecordedWritingsTest.php',
            'tests/Format/ExamplesTest.php',
            'tests/Format/WrittenFilesTest.php',
            'tests/Format/AsTheyAreTest.php',
            'tests/Format/Write',
            'tests/Format/Read',
            'tests/Format/RoundTripTest.php',
            'tests/Format/HostileFilesTest.php',
            'tests/Core/Starter',
            'tests/Format/Foreign/LibrariesTest.php',
            'tests/Format/Foreign/PartsTest.php',
            'tests/Format/Foreign/OtherProgramsTest.php',
        ],
        'src/Storage/' => [
            'tests/Storage/StoredAsComputedTest.php',
            'tests/Storage/SectionFormTest.php',
            'tests/Storage/CopyingTest.php',
            'tests/Storage/TwoWindowsTest.php',
            'tests/Storage',
            'tests/Http/DocumentOverHttpTest.php',
            'tests/Http/OperationsOverHttpTest.php',
            'tests/Http/HistoryOverHttpTest.php',
            'tests/Http/TextInOverHttpTest.php',
            'tests/Http/FindOverHttpTest.php',
            'tests/Http/PagesOverHttpTest.php',
            'tests/Http/RemindersOverHttpTest.php',
            'tests/Command',
        ],
    ];

    /** What drives the screens, asked when the tests of their parts notice nothing; the quickest first. */
    private const IN_THE_BROWSER = [
        'frontend/src/editor/' => ['random', 'write', 'parts', 'places', 'text-in'],
        'frontend/src/document/' => ['random', 'write', 'navigation', 'branches', 'trouble'],
        'frontend/src/outline/' => ['navigation', 'branches', 'reorganise'],
    ];

    /** @var array<string, true> commands that pass where no mistake was made */
    private array $sound = [];

    private function __construct(private readonly string $root, private readonly string $copy) {}

    public static function copyOf(string $root, int $number): self
    {
        $copy = sys_get_temp_dir() . '/stemmata-mutants-' . getmypid() . '-' . $number;
        (new Process(
            [
                'rsync',
                '-a',
                '--exclude=/.git',
                '--exclude=/var/data',
                '--exclude=/var/soak',
                '--exclude=/node_modules',
                $root . '/',
                $copy,
            ],
            timeout: 300,
        ))->mustRun();
        symlink($root . '/node_modules', $copy . '/node_modules');

        return new self($root, $copy);
    }

    /**
     * @return bool|null whether a test fails; null when the mistake cannot be made
     *
     * @throws \LogicException when that test fails without the mistake, too: it would notice whatever is made
     */
    public function notices(Mutation $mutation): ?bool
    {
        if (!$mutation->applyIn($this->copy)) {
            return null;
        }
        foreach ($this->commandsFor($mutation->file) as $command => $limit) {
            if ($this->fails($command, $limit)) {
                $this->mend($mutation);
                $this->assertSound($command, $limit);

                return true;
            }
        }
        $this->mend($mutation);

        return false;
    }

    private function mend(Mutation $mutation): void
    {
        copy($this->root . '/' . $mutation->file, $this->copy . '/' . $mutation->file);
    }

    /** @param list<string> $command */
    private function assertSound(array $command, int $limit): void
    {
        $words = implode(' ', $command);
        if (!isset($this->sound[$words]) && 'playwright' === $command[1]) {
            $this->fails(self::BUILD, self::LIMIT);
        }
        if (!isset($this->sound[$words]) && $this->fails($command, $limit)) {
            throw new \LogicException('Without any mistake this fails: ' . $words);
        }
        $this->sound[$words] = true;
    }

    public function remove(): void
    {
        (new Filesystem())->remove($this->copy);
    }

    /** @return iterable<list<string>, int> commands, and the seconds that each is given */
    private function commandsFor(string $file): iterable
    {
        if (str_starts_with($file, 'frontend/')) {
            yield ['npx', 'vitest', 'run', '--bail', '1'] => self::LIMIT;
            yield self::BUILD => self::LIMIT;
            foreach (self::IN_THE_BROWSER as $folder => $specs) {
                foreach (str_starts_with($file, $folder) ? $specs : [] as $spec) {
                    yield [
                        'npx',
                        'playwright',
                        'test',
                        '--workers',
                        '1',
                        '-x',
                        '/' . $spec,
                    ] => self::LIMIT_IN_THE_BROWSER;
                }
            }

            return;
        }
        foreach (self::SUITES as $folder => $suites) {
            foreach (str_starts_with($file, $folder) ? [...$this->beside($file), ...$suites] : [] as $suite) {
                yield [
                    'php',
                    '-d',
                    'memory_limit=1G',
                    'vendor/bin/phpunit',
                    '--no-output',
                    '--stop-on-defect',
                    $suite,
                ] => self::LIMIT;
            }
        }
    }

    /** @return list<string> the folder of tests that mirrors the file's own, where there is one */
    private function beside(string $file): array
    {
        $folder = (string) preg_replace('~\Asrc/~', 'tests/', dirname($file));

        return is_dir($this->root . '/' . $folder) ? [$folder] : [];
    }

    /** @param list<string> $command */
    private function fails(array $command, int $limit): bool
    {
        $process = new Process($command, $this->copy, timeout: $limit);
        $process->disableOutput();
        try {
            return 0 !== $process->run();
        } catch (ProcessTimedOutException) {
            return true;
        }
    }
}
