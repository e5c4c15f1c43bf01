<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Symfony\Component\Process\Process;

/** The application served for a test, over a database of its own. */
final class LiveServer
{
    private Process $server;
    private string $data;
    private int $port;

    private function __construct(string $data)
    {
        $this->data = $data;
        $this->port = random_int(20000, 40000);
        $this->server = new Process(
            ['php', '-d', 'opcache.enable_cli=1', '-d', 'memory_limit=1G', '-d', 'post_max_size=256M', '-S', '127.0.0.1:'.$this->port, '-t', 'public', 'public/router.php'],
            self::root(),
            ['STEMMATA_DATA' => $data, 'APP_ENV' => 'prod'],
            timeout: null,
        );
        $this->server->start();
        for ($try = 0; $try < 200 && null === $this->find('GET', '/api/ping'); ++$try) {
            usleep(25_000);
        }
    }

    public static function overEmptyDatabase(): self
    {
        $data = sys_get_temp_dir().'/stemmata-test-'.bin2hex(random_bytes(6));
        mkdir($data);
        $migration = new Process(['php', 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'], self::root(), ['STEMMATA_DATA' => $data, 'APP_ENV' => 'prod']);
        $migration->mustRun();

        return new self($data);
    }

    public function kill(): void
    {
        $this->server->signal(\SIGKILL);
    }

    public function startedAgain(): self
    {
        return new self($this->data);
    }

    public function __destruct()
    {
        $this->server->stop(0);
    }

    /** @return array<mixed>|null null when no answer came */
    public function find(string $method, string $path, mixed $body = null): ?array
    {
        $answer = @file_get_contents('http://127.0.0.1:'.$this->port.$path, false, stream_context_create(['http' => [
            'method' => $method,
            'header' => 'Content-Type: application/json',
            'content' => is_string($body) ? $body : json_encode($body, \JSON_THROW_ON_ERROR),
            'ignore_errors' => true,
            'timeout' => 20,
        ]]));
        $json = false === $answer ? null : json_decode($answer, true);

        return is_array($json) ? $json : null;
    }

    /** @return array<mixed> */
    public function get(string $method, string $path, mixed $body = null): array
    {
        return $this->find($method, $path, $body) ?? throw new \RuntimeException(sprintf('No answer to %s %s.', $method, $path));
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
