<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/** The engine as a process that lives as long as this object: for the console, and where there is no service. */
final class OneShotEngine implements Engine
{
    private const SECONDS = 180;
    /** Who serves others as well does not wait so long. */
    private const SECONDS_SERVING = 55;

    /** Some part of a document may ask for all the memory of the machine. */
    private const BYTES = 6_000_000_000;

    /** @var resource|null */
    private $process;
    /** @var array<int, resource> */
    private array $pipes = [];

    public function exchange(array $request, ?float $patience = null): array
    {
        [$in, $out] = $this->pipes();
        stream_set_blocking($out, true);
        $frame = Frames::of($request);
        for ($sent = 0; $sent < strlen($frame); $sent += $written) {
            $written = @fwrite($in, substr($frame, $sent, 65_536));
            if (false === $written || 0 === $written) {
                $this->end();
                throw TypesettingFailed::notThere();
            }
        }
        fflush($in);
        $until = microtime(true) + ('cli' === \PHP_SAPI ? self::SECONDS : self::SECONDS_SERVING);
        $message = Frames::read(static function (int $length) use ($out, $until): string {
            $bytes = '';
            while (strlen($bytes) < $length && !feof($out)) {
                $ready = [$out];
                $none = [];
                $left = (int) ceil($until - microtime(true));
                if ($left < 1 || 1 !== stream_select($ready, $none, $none, $left)) {
                    break;
                }
                $bytes .= (string) fread($out, max(1, min(1_048_576, $length - strlen($bytes))));
            }

            return $bytes;
        });
        if (null === $message || [] === $message[0]) {
            $this->end();
            // A request cannot wait for another try.
            throw 'cli' === \PHP_SAPI ? new TookTooMuch() : TypesettingFailed::gaveUp();
        }

        return $message;
    }

    /** @return array{resource, resource} */
    private function pipes(): array
    {
        if (null === $this->process) {
            $process = proc_open(
                ['prlimit', '--data=' . self::BYTES, 'node', __DIR__ . '/once.mjs'],
                [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
                $this->pipes,
            );
            $this->process = false === $process ? throw TypesettingFailed::notThere() : $process;
        }

        return [$this->pipes[0], $this->pipes[1]];
    }

    private function end(): void
    {
        if (null !== $this->process) {
            proc_terminate($this->process, \SIGKILL);
            array_map(fclose(...), $this->pipes);
            proc_close($this->process);
        }
        $this->process = null;
        $this->pipes = [];
    }

    public function __destruct()
    {
        $this->end();
    }
}
