<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/**
 * The engine as a service that keeps documents warm. Whoever finds it not running starts it; where it cannot be started,
 * or where nobody would use it twice, a process of its own does the work.
 */
final class ServiceEngine implements Engine
{
    /** As long as one request may wait; a command has all the time it needs. */
    private const PATIENCE = 50.0;
    private const PATIENCE_OF_COMMANDS = 3600.0;
    /** A service that says nothing for so much longer is ended (seconds). */
    private const HUNG = 6;
    private const START_SECONDS = 8;
    /** Where the service, or the process for the document, is ended by others while it works. */
    private const TRIES = 4;
    /** Without the files and sockets of the server, so that the service holds none of them when the server ends. */
    private const ALONE = 'for fd in /proc/self/fd/*; do fd=${fd##*/}; [ "$fd" -le 2 ] || eval "exec $fd>&-"; done; ';

    private ?OneShotEngine $alone = null;

    /** A console that is done in a moment leaves no service behind. */
    private readonly bool $startsIt;
    private readonly SocketFolder $folder;
    private ?string $version = null;

    /** @param string $folder of the data; each has a service of its own */
    public function __construct(string $folder, ?bool $startsIt = null)
    {
        $this->startsIt = $startsIt ?? 'cli' !== \PHP_SAPI;
        $this->folder = new SocketFolder($folder);
    }

    public function exchange(array $request, ?float $patience = null): array
    {
        $patience ??= 'cli' === \PHP_SAPI ? self::PATIENCE_OF_COMMANDS : self::PATIENCE;
        $isThere = $this->folder->isSecure($this->startsIt);
        $until = microtime(true) + $patience;
        for ($try = 0; $try < self::TRIES; ++$try) {
            $socket = $isThere ? $this->connect() ?? ($this->startsIt ? $this->start() : null) : null;
            if (null === $socket) {
                return ($this->alone ??= new OneShotEngine())->exchange($request, $patience);
            }
            $left = max(0.0, $until - microtime(true));
            $message = $this->roundTrip($socket, ['patience' => $left] + $request, $left);
            if (null !== $message && !isset($message[0]['again'])) {
                return $message;
            }
        }
        throw TypesettingFailed::gaveUp();
    }

    /**
     * @param resource             $socket
     * @param array<string, mixed> $request
     *
     * @return array{array<mixed>, string}|null null when the service was ended before it had answered
     */
    private function roundTrip($socket, array $request, float $patience): ?array
    {
        stream_set_timeout($socket, (int) ceil($patience) + self::HUNG);
        $frame = Frames::of($request);
        for ($sent = 0; $sent < strlen($frame); $sent += $written) {
            $written = @fwrite($socket, substr($frame, $sent, 65_536));
            if (false === $written || 0 === $written) {
                break;
            }
        }
        $message = Frames::read(static function (int $length) use ($socket): string {
            $bytes = '';
            while (strlen($bytes) < $length && !stream_get_meta_data($socket)['timed_out']) {
                $more = fread($socket, max(1, min(1_048_576, $length - strlen($bytes))));
                if (false === $more || '' === $more) {
                    break;
                }
                $bytes .= $more;
            }

            return $bytes;
        });
        $isTimedOut = stream_get_meta_data($socket)['timed_out'];
        fclose($socket);

        if ($isTimedOut) {
            // Whoever asks next starts another one.
            $this->stop();
            throw TypesettingFailed::gaveUp();
        }

        return null === $message || [] === $message[0] ? null : $message;
    }

    /** A service whose socket is gone ends by itself. */
    public function stop(): void
    {
        foreach (glob($this->folder->path . '/*') ?: [] as $path) {
            @unlink($path);
        }
    }

    /** Starts it anew, so that nobody waits for it later. */
    public function restart(): void
    {
        if (!$this->folder->isSecure(true)) {
            return;
        }
        $this->stop();
        $socket = $this->start();
        if (null !== $socket) {
            fclose($socket);
        }
    }

    /** @return resource|null */
    private function connect()
    {
        $name = $this->folder->findSocket($this->version());
        $socket =
            null === $name
                ? false
                : $this->folder->within(static fn() => @stream_socket_client('unix://' . $name, timeout: 2));

        return false === $socket ? null : $socket;
    }

    /** @return resource|null */
    private function start()
    {
        $lock = @fopen($this->folder->path . '/starting', 'c');
        if (false === $lock || !flock($lock, \LOCK_EX)) {
            return null;
        }
        try {
            // Another may have started it while this one waited.
            $socket = $this->connect();
            if (null !== $socket) {
                return $socket;
            }
            // One of another version sees that its socket is gone, and ends.
            foreach (glob($this->folder->path . '/version-*') ?: [] as $other) {
                @unlink($other);
            }
            $command = sprintf(
                '%scd %s; setsid node %s %s </dev/null >/dev/null 2>&1 &',
                self::ALONE,
                escapeshellarg($this->folder->path),
                escapeshellarg(__DIR__ . '/service.mjs'),
                escapeshellarg($this->version()),
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

    /** A service that still runs with the sources of before an update is not asked. */
    private function version(): string
    {
        return $this->version ??=
            'version-' .
            substr(
                hash(
                    'sha256',
                    implode(
                        '',
                        array_map(sha1_file(...), [
                            ...glob(__DIR__ . '/*.mjs') ?: [],
                            ...glob(dirname(__DIR__) . '/*.typ') ?: [],
                        ]),
                    ),
                ),
                0,
                16,
            );
    }
}
