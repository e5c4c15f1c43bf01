<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

/**
 * A port that nothing listens on, below those that the system gives to whoever asks for any (32768 and up on Linux).
 */
final class FreePort
{
    public static function find(): int
    {
        for ($tries = 0; $tries < 200; ++$tries) {
            $port = random_int(10_000, 32_000);
            $socket = @stream_socket_server('tcp://127.0.0.1:' . $port);
            if (false !== $socket) {
                fclose($socket);

                return $port;
            }
        }
        throw new \RuntimeException('There is no port to be had.');
    }
}
