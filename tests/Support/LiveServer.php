<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Symfony\Component\Process\Process;

/** The application served for a test, over a database of its own. */
final class LiveServer
{
    private Process $server;
    /** The folder of its database. */
    public readonly string $data;
    private int $port;

    /**
     * @param int                   $workers     how many requests are served at once
     * @param array<string, string> $environment
     */
    private function __construct(string $data, private int $workers, private array $environment = [])
    {
        $this->data = $data;
        $this->port = FreePort::find();
        $this->server = new Process(
            [
                'setsid',
                'php',
                '-d',
                'opcache.enable_cli=1',
                '-d',
                'memory_limit=1G',
                '-d',
                'post_max_size=256M',
                '-S',
                '127.0.0.1:' . $this->port,
                '-t',
                'public',
                'public/router.php',
            ],
            self::root(),
            ['STEMMATA_DATA' => $data, 'APP_ENV' => 'prod'] +
                $environment +
                ($workers > 1 ? ['PHP_CLI_SERVER_WORKERS' => (string) $workers] : []),
            timeout: null,
        );
        // It logs each request, and would wait for ever for someone to read.
        $this->server->disableOutput();
        $this->server->start();
        for ($try = 0; $try < 200 && null === $this->find('GET', '/api/ping'); ++$try) {
            usleep(25_000);
        }
    }

    public static function overEmptyDatabase(int $workers = 1): self
    {
        return self::overDatabase(null, $workers);
    }

    /** With its data and its temporary files in these folders. */
    public static function within(string $data, string $temporary): self
    {
        self::migrate($data);

        return new self($data, 1, ['TMPDIR' => $temporary]);
    }

    /** @param string|null $sqlite the file of a database that another version may have made; null for a new one */
    public static function overDatabase(?string $sqlite, int $workers = 1): self
    {
        $data = TemporaryFolder::made();
        if (null !== $sqlite) {
            file_put_contents($data . '/stemmata.sqlite', $sqlite);
        }
        self::migrate($data);

        return new self($data, $workers);
    }

    private static function migrate(string $data): void
    {
        $migration = new Process(
            ['php', 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'],
            self::root(),
            ['STEMMATA_DATA' => $data, 'APP_ENV' => 'prod'],
        );
        $migration->mustRun();
    }

    public function address(): string
    {
        return 'http://127.0.0.1:' . $this->port;
    }

    public function kill(): void
    {
        if ($this->server->isRunning()) {
            // With its workers: they are one group, and outlive the server otherwise.
            Process::fromShellCommandline('kill -9 -' . $this->server->getPid())->run();
        }
    }

    public function startedAgain(): self
    {
        return new self($this->data, $this->workers);
    }

    public function __destruct()
    {
        $this->kill();
        $this->server->stop(0);
    }

    /**
     * @param array<string, string> $headers
     *
     * @return array<mixed>|null null when no answer came
     */
    public function find(string $method, string $path, mixed $body = null, array $headers = []): ?array
    {
        $lines = array_map(
            static fn(string $name, string $value): string => $name . ': ' . $value,
            array_keys($headers),
            $headers,
        );
        $answer = @file_get_contents(
            $this->address() . $path,
            false,
            stream_context_create([
                'http' => [
                    'method' => $method,
                    'header' => implode("\r\n", ['Content-Type: application/json', ...$lines]),
                    'content' => is_string($body) ? $body : json_encode($body, \JSON_THROW_ON_ERROR),
                    'ignore_errors' => true,
                    'timeout' => 20,
                ],
            ]),
        );
        $json = false === $answer ? null : json_decode($answer, true);

        // Pages that are still being made are asked for again.
        if (is_array($json) && ['place'] === array_keys($json)) {
            usleep(200_000);

            return $this->find($method, $path, $body, $headers);
        }

        return is_array($json) ? $json : null;
    }

    public function text(string $path): string
    {
        while (str_starts_with($text = (string) file_get_contents($this->address() . $path), '{"place":')) {
            usleep(200_000);
        }

        return $text;
    }

    /** @return array<string, string> of the answer, by name in small letters */
    public function headers(string $path): array
    {
        $headers = [];
        foreach (get_headers($this->address() . $path) ?: [] as $line) {
            [$name, $value] = explode(':', $line . ':', 2);
            $headers[strtolower($name)] = trim($value, ' :');
        }

        return $headers;
    }

    /**
     * @param array<string, string> $headers
     *
     * @return array<mixed>
     */
    public function get(string $method, string $path, mixed $body = null, array $headers = []): array
    {
        return $this->find($method, $path, $body, $headers) ??
            throw new \RuntimeException(sprintf('No answer to %s %s.', $method, $path));
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
