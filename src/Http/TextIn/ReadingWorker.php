<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn;

use Psr\Clock\ClockInterface;
use Stemmata\Core\Language\Characters;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\LikelyHeading\LookGroup;
use Stemmata\Disk\NoRoom;
use Stemmata\Disk\TemporaryFile;
use Stemmata\Format\Formats;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Http\Request\UploadedBytes;
use Stemmata\Http\TextIn\View\ReportLineView;
use Stemmata\Storage\Document\StagedDocument;
use Stemmata\Storage\Section\SectionRows;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Reads files in a process of its own, which may take so much memory and time and is then ended: the libraries that
 * parse XML know no limit, and no file may take the server along. Other documents are read and written meanwhile.
 */
final readonly class ReadingWorker
{
    /** Of the process, and of the one that parses HTML for it, each (megabytes). */
    private const MEMORY = 512;
    private const SECONDS = 60;
    /**
     * Without the server's port and its lock on the folder: should the server be killed, the next one must find both
     * free.
     */
    private const ALONE = 'for fd in /proc/self/fd/*; do fd=${fd##*/}; [ "$fd" -le 2 ] || eval "exec $fd>&-"; done; ';
    /** How often the one who waits is told that it is still being read (microseconds). */
    private const BEAT = 100_000;
    /** A short plain text is read at once: nothing in it can take long, and a process takes a fifth of a second. */
    private const SHORT = 16_384;
    private const PLAIN = ['md', 'markdown', 'txt', 'text'];
    /** What an ended server left behind goes with the next file (seconds). */
    private const ABANDONED = 3600;

    public function __construct(
        private Formats $formats,
        private SectionRows $rows,
        private ClockInterface $clock,
        #[Autowire('%kernel.project_dir%')] private string $root,
    ) {}

    /**
     * @template T
     *
     * @param \Closure(): mixed             $beat  called now and then; what it throws ends the reading
     * @param \Closure(StagedDocument): T $use   the file is gone afterwards
     *
     * @return T
     *
     * @throws FormatException
     */
    public function read(string $name, UploadedBytes $file, \Closure $beat, \Closure $use): mixed
    {
        // An argument of a process holds no zero byte.
        $name = Characters::cleaned(mb_scrub($name));
        if (
            $file->size() <= self::SHORT &&
            in_array(strtolower(pathinfo($name, \PATHINFO_EXTENSION)), self::PLAIN, true)
        ) {
            return $use($this->stage($name, $file->bytes()));
        }
        $folder = $this->folder();
        $held = self::hold($folder);
        try {
            $file->moveTo($folder . '/file');
            $this->run($name, $folder, $beat);

            return $use(StagedDocument::open($folder . '/staged'));
        } finally {
            self::remove($folder);
            null === $held || fclose($held);
        }
    }

    /**
     * What the process does.
     *
     * @throws FormatException
     */
    public function stage(string $name, string $bytes): StagedDocument
    {
        $read = $this->formats->read($name, $bytes);
        $likely = array_sum(
            array_map(static fn(LookGroup $group): int => count($group->lines), LikelyHeadings::in($read->document)),
        );

        return StagedDocument::of($read->document, $this->rows, [
            'likelyHeadings' => $likely,
            'report' => array_map(ReportLineView::of(...), $read->report->lines),
        ]);
    }

    /** @param \Closure(): mixed $beat */
    private function run(string $name, string $folder, \Closure $beat): void
    {
        $limits = sprintf(self::ALONE . 'ulimit -d %d; exec "$@"', self::MEMORY * 1024);
        $php = (new PhpExecutableFinder())->find() ?: 'php';
        $worker = new Process(
            [
                'setsid',
                'bash',
                '-c',
                $limits,
                'limited',
                $php,
                '-d',
                'memory_limit=' . self::MEMORY . 'M',
                'bin/console',
                'stemmata:stage-file',
                '--no-interaction',
                '--',
                $name,
                $folder . '/file',
                $folder . '/staged',
            ],
            $this->root,
            timeout: null,
        );
        $worker->start();
        $until = microtime(true) + self::SECONDS;
        try {
            while ($worker->isRunning()) {
                usleep(microtime(true) < $until - self::SECONDS + 1 ? 10_000 : self::BEAT);
                $beat();
                if (microtime(true) > $until) {
                    throw FormatException::tooHard();
                }
            }
        } finally {
            if ($worker->isRunning()) {
                // With the process that it started itself: they are one group.
                Process::fromShellCommandline('kill -9 -' . $worker->getPid())->run();
            }
        }
        if (0 !== $worker->getExitCode()) {
            $sentence = trim($worker->getErrorOutput());
            throw 1 === $worker->getExitCode() && 1 === preg_match('/\A[^\n]{1,400}[.]\z/u', $sentence)
                ? FormatException::said($sentence)
                : FormatException::tooHard();
        }
    }

    private function folder(): string
    {
        TemporaryFile::sweep();
        foreach (glob(sys_get_temp_dir() . '/stemmata-reading-*', \GLOB_ONLYDIR) ?: [] as $left) {
            // A clock that is set forward makes nothing abandoned that somebody still reads.
            if (
                filemtime($left) < $this->clock->now()->getTimestamp() - self::ABANDONED &&
                null !== ($held = self::hold($left))
            ) {
                self::remove($left);
                fclose($held);
            }
        }
        $folder = sys_get_temp_dir() . '/stemmata-reading-' . bin2hex(random_bytes(8));
        if (!@mkdir($folder, 0o700)) {
            throw new NoRoom();
        }

        return $folder;
    }

    /** @return resource|null for as long as it is open, the folder is in use; null when somebody else uses it */
    private static function hold(string $folder)
    {
        $held = @fopen($folder . '/held', 'c');

        return false !== $held && flock($held, \LOCK_EX | \LOCK_NB) ? $held : null;
    }

    private static function remove(string $folder): void
    {
        array_map(unlink(...), glob($folder . '/*') ?: []);
        @rmdir($folder);
    }
}
