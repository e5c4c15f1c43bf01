<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/**
 * The engine as a service that keeps documents warm. Whoever finds it not running starts it; where it cannot be started,
 * or where nobody would use it twice, a process of its own does the work.
 */
final class ServiceEngine implements Engine
{
    /** The service ends its work sooner. */
    private const SECONDS = 120;
    private const START_SECONDS = 8;
    /** Where the service, or the process for the document, is ended by others while it works. */
    private const TRIES = 4;
    /** Without the files and sockets of the server, so that the service holds none of them when the server ends. */
    private const ALONE = 'for fd in /proc/self/fd/*; do fd=${fd##*/}; [ "$fd" -le 2 ] || eval "exec $fd>&-"; done; ';

    private ?OneShotEngine $alone = null;

    /** A console that is done in a moment leaves no service behind. */
    private readonly bool $startsIt;

    /** @param string $folder of the data; each has a service of its own */
    public function __construct(private readonly string $folder, ?bool $startsIt = null)
    {
        $this->startsIt = $startsIt ?? 'cli' !== \PHP_SAPI;
    }

    public function exchange(array $request): array
    {
        for ($try = 0; $try < self::TRIES; ++$try) {
            $socket = $this->connect() ?? ($this->startsIt ? $this->start() : null);
            if (null === $socket) {
                return ($this->alone ??= new OneShotEngine())->exchange($request);
            }
            $message = self::roundTrip($socket, $request);
            if (null !== $message && !isset($message[0]['again'])) {
                return $message;
            }
        }
        throw TypesettingFailed::tookTooMuch();
    }

    /**
     * @param resource             $socket
     * @param array<string, mixed> $request
     *
     * @return array{array<mixed>, string}|null null when the service was ended before it had answered
     */
    private static function roundTrip($socket, array $request): ?array
    {
        stream_set_timeout($socket, self::SECONDS);
        $frame = Frames::of($request);
        for ($sent = 0; $sent < strlen($frame); $sent += $written) {
            $written = @fwrite($socket, substr($frame, $sent, 65_536));
            if (false === $written || 0 === $written) {
                break;
            }
        }
        $message = Frames::read(static function (int $length) use ($socket): string {
            for ($bytes = ''; strlen($bytes) < $length; $bytes .= $more) {
                $more = fread($socket, max(1, min(1_048_576, $length - strlen($bytes))));
                if (false === $more || '' === $more) {
                    break;
                }
            }

            return $bytes;
        });
        $isTimedOut = stream_get_meta_data($socket)['timed_out'];
        fclose($socket);

        return match (true) {
            $isTimedOut => throw TypesettingFailed::tookTooMuch(),
            null === $message, [] === $message[0] => null,
            default => $message,
        };
    }

    /** A service whose socket is gone ends by itself. */
    public function stop(): void
    {
        $path = $this->socketPath();
        if (file_exists($path)) {
            unlink($path);
        }
    }

    /** Starts it anew, so that it is of this version and nobody waits for it later. */
    public function restart(): void
    {
        $this->stop();
        $socket = $this->start();
        if (null !== $socket) {
            fclose($socket);
        }
    }

    /** @return resource|null */
    private function connect()
    {
        $path = $this->socketPath();
        $socket = file_exists($path) ? @stream_socket_client('unix://' . $path, timeout: 2) : false;

        return false === $socket ? null : $socket;
    }

    /** @return resource|null */
    private function start()
    {
        $path = $this->socketPath();
        $home = dirname($path);
        if (!is_dir($home) && !@mkdir($home, 0o700, true) && !is_dir($home)) {
            return null;
        }
        $lock = fopen($home . '/starting', 'c');
        if (false === $lock || !flock($lock, \LOCK_EX)) {
            return null;
        }
        try {
            // Another may have started it while this one waited.
            $socket = $this->connect();
            if (null !== $socket) {
                return $socket;
            }
            $command = sprintf(
                '%ssetsid node %s %s </dev/null >/dev/null 2>&1 &',
                self::ALONE,
                escapeshellarg(__DIR__ . '/service.mjs'),
                escapeshellarg($path),
            );
            exec('bash -c ' . escapeshellarg($command));
            for ($until = microtime(true) + self::START_SECONDS; microtime(true) < $until; usleep(30_000)) {
                $socket = $this->connect();
                if (null !== $socket) {
                    return $socket;
                }
            }

            return null;
        } finally {
            fclose($lock);
        }
    }

    /** Short, whatever the folder of the data is called: a socket's path holds 107 bytes at most (unix(7)). */
    private function socketPath(): string
    {
        $own = posix_getuid() . '-' . substr(hash('sha256', realpath($this->folder) ?: $this->folder), 0, 16);

        return sys_get_temp_dir() . '/stemmata-' . $own . '/typesetting';
    }
}
