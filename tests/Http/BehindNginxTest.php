<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\FreePort;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** The files in deploy/ as they are shipped, run by nginx and php-fpm. */
final class BehindNginxTest extends TestCase
{
    private static string $folder;
    private static int $port;
    private static int $publicPort;
    /** @var list<Process> */
    private static array $processes = [];

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir() . '/stemmata-nginx-' . bin2hex(random_bytes(4));
        [self::$port, self::$publicPort] = [FreePort::find(), FreePort::find()];
        $files = new Filesystem();
        $files->mkdir([self::$folder, self::$folder . '/data']);
        $root = dirname(__DIR__, 2);
        $values = [
            '@STEMMATA@' => $root,
            '@SOCKET@' => self::$folder . '/fpm.sock',
            '@DATA@' => self::$folder . '/data',
            '@PORT@' => (string) self::$port,
        ];
        $shipped = static fn(string $name): string => strtr(
            (string) file_get_contents($root . '/deploy/' . $name),
            $values,
        );
        $files->dumpFile(self::$folder . '/nginx-stemmata.conf', $shipped('nginx-stemmata.conf'));
        $server = strtr($shipped('nginx.conf'), [
            $root . '/deploy/nginx-stemmata.conf' => self::$folder . '/nginx-stemmata.conf',
        ]);
        // The server for other machines, with the signs taken away; TLS is another program's matter here.
        $public = (string) preg_replace(
            ['/^# ?/m', '/^ *ssl_.*\n/m', '/listen 443 ssl/', '~/etc/nginx/stemmata\.users~'],
            ['', '', 'listen 127.0.0.1:' . self::$publicPort, self::$folder . '/users'],
            substr($server, (int) strpos($server, '# server {')),
        );
        $files->dumpFile(
            self::$folder . '/nginx.conf',
            sprintf(
                "pid %s/nginx.pid;\nerror_log %1\$s/nginx.log;\nworker_processes 1;\ndaemon off;\nevents {}\nhttp {\ninclude /etc/nginx/mime.types;\naccess_log off;\nclient_body_temp_path %1\$s/body;\nfastcgi_temp_path %1\$s/fastcgi;\nproxy_temp_path %1\$s/proxy;\nuwsgi_temp_path %1\$s/uwsgi;\nscgi_temp_path %1\$s/scgi;\n%s\n%s\n}\n",
                self::$folder,
                $server,
                $public,
            ),
        );
        $isRoot = 0 === posix_getuid();
        $pool = (string) preg_replace(
            '/^(?:user|group|listen\.owner|listen\.group) = .*\n/m',
            '',
            strtr($shipped('php-fpm.conf'), [
                'env[STEMMATA_HOSTS] = ""' => 'env[STEMMATA_HOSTS] = stemmata.example.org',
                'env[STEMMATA_PROXIES] = ""' => 'env[STEMMATA_PROXIES] = 127.0.0.1',
            ]),
        );
        $files->dumpFile(
            self::$folder . '/fpm.conf',
            sprintf(
                "[global]\nerror_log = %s/fpm.log\ndaemonize = no\n%s%s",
                self::$folder,
                str_replace("[stemmata]\n", "[stemmata]\n" . ($isRoot ? "user = root\ngroup = root\n" : ''), $pool),
                '',
            ),
        );
        (new Process(['php', 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'], $root, [
            'STEMMATA_DATA' => self::$folder . '/data',
            'APP_ENV' => 'prod',
        ]))->mustRun();
        self::$processes = [
            new Process(
                ['/usr/sbin/php-fpm8.2', ...$isRoot ? ['-R'] : [], '-y', self::$folder . '/fpm.conf', '-F'],
                timeout: null,
            ),
            new Process(
                [
                    '/usr/sbin/nginx',
                    '-e',
                    self::$folder . '/nginx.log',
                    '-c',
                    self::$folder . '/nginx.conf',
                    ...$isRoot ? ['-g', 'user root;'] : [],
                ],
                timeout: null,
            ),
        ];
        foreach (self::$processes as $process) {
            $process->start();
        }
        for ($try = 0; $try < 200 && 200 !== self::ask('GET', '/api/ping')[0]; ++$try) {
            usleep(50_000);
            foreach (self::$processes as $process) {
                self::assertTrue(
                    $process->isRunning(),
                    $process->getErrorOutput() .
                        @file_get_contents(self::$folder . '/nginx.log') .
                        @file_get_contents(self::$folder . '/fpm.log'),
                );
            }
        }
    }

    public static function tearDownAfterClass(): void
    {
        foreach (self::$processes as $process) {
            $process->stop(2);
        }
        (new Filesystem())->remove(self::$folder);
    }

    public function testABrowsersWriteIsTaken(): void
    {
        foreach (['127.0.0.1', 'localhost'] as $host) {
            $origin = 'http://' . $host . ':' . self::$port;
            [$status, $body] = self::ask(
                'POST',
                '/api/documents',
                [
                    'Host: ' . $host . ':' . self::$port,
                    'Origin: ' . $origin,
                    'Sec-Fetch-Site: same-origin',
                    'Content-Type: application/json',
                ],
                '{"title": "Behind nginx"}',
            );
            self::assertSame(201, $status, $body);
        }
        self::assertStringContainsString('Behind nginx', self::ask('GET', '/api/documents')[1]);
    }

    public function testAWriteOfAnotherPageIsNot(): void
    {
        self::assertSame(
            403,
            self::ask(
                'POST',
                '/api/documents',
                ['Origin: https://example.org', 'Sec-Fetch-Site: cross-site'],
                '{"title": "x"}',
            )[0],
        );
    }

    public function testOtherHostNamesAreNotAnsweredNotEvenReads(): void
    {
        foreach (['evil.example', 'localhost.evil.example', '127.0.0.1.evil.example', 'stemmata'] as $host) {
            self::assertSame(421, self::ask('GET', '/api/documents', ['Host: ' . $host])[0], $host);
            self::assertSame(421, self::ask('GET', '/', ['Host: ' . $host])[0], $host);
        }
    }

    public function testBeyondThisMachineNothingIsServedUntilALoginIsSet(): void
    {
        $host = 'Host: stemmata.example.org';
        self::assertSame(401, self::ask('GET', '/api/documents', [$host], port: self::$publicPort)[0]);
        // Once there is a name and a password but no file of them, no one gets in.
        self::assertGreaterThanOrEqual(
            403,
            self::ask(
                'GET',
                '/api/documents',
                [$host, 'Authorization: Basic ' . base64_encode('writer:secret')],
                port: self::$publicPort,
            )[0],
        );
        file_put_contents(self::$folder . '/users', 'writer:{PLAIN}secret' . "\n");
        self::assertSame(
            401,
            self::ask(
                'GET',
                '/api/documents',
                [$host, 'Authorization: Basic ' . base64_encode('writer:wrong')],
                port: self::$publicPort,
            )[0],
        );
        self::assertSame(
            200,
            self::ask(
                'GET',
                '/api/documents',
                [$host, 'Authorization: Basic ' . base64_encode('writer:secret')],
                port: self::$publicPort,
            )[0],
        );
        // The application itself refuses when the web server lets everyone through.
        [$status, $body] = self::ask('GET', '/api/documents', [$host]);
        self::assertSame(403, $status);
        self::assertStringContainsString('no one is asked to log in', $body);
    }

    public function testBehindAProxyThatEndsTlsWritesWork(): void
    {
        file_put_contents(self::$folder . '/users', 'writer:{PLAIN}secret' . "\n");
        $asBrowser = [
            'Host: stemmata.example.org',
            'Authorization: Basic ' . base64_encode('writer:secret'),
            'Origin: https://stemmata.example.org',
            'Sec-Fetch-Site: same-origin',
            'Content-Type: application/json',
        ];
        self::assertSame(
            403,
            self::ask('POST', '/api/documents', $asBrowser, '{"title": "x"}', self::$publicPort)[0],
            'another origin as long as no proxy says so',
        );
        self::assertSame(
            201,
            self::ask(
                'POST',
                '/api/documents',
                [...$asBrowser, 'X-Forwarded-Proto: https', 'X-Forwarded-Port: 443', 'X-Forwarded-For: 203.0.113.7'],
                '{"title": "x"}',
                self::$publicPort,
            )[0],
        );
    }

    public function testLimitsAgreeWithTheApplications(): void
    {
        self::assertSame(
            413,
            self::ask('POST', '/api/documents/import?name=x.txt', [], str_repeat('x ', 34 * 1024 * 1024))[0],
        );
    }

    public function testWhoAsksTooOftenIsSlowedDown(): void
    {
        $all = curl_multi_init();
        $handles = [];
        for ($each = 0; $each < 450; ++$each) {
            $handle = curl_init('http://127.0.0.1:' . self::$port . '/api/ping');
            \assert(false !== $handle);
            curl_setopt_array($handle, [\CURLOPT_RETURNTRANSFER => true, \CURLOPT_TIMEOUT => 30]);
            curl_multi_add_handle($all, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all);
        } while ($running > 0);
        $statuses = array_count_values(
            array_map(static fn(\CurlHandle $handle): int => curl_getinfo($handle, \CURLINFO_RESPONSE_CODE), $handles),
        );
        self::assertGreaterThan(100, $statuses[200] ?? 0, 'two windows are served');
        self::assertGreaterThan(60, $statuses[429] ?? 0, 'a flood is not');
    }

    /**
     * @param non-empty-string $method
     * @param list<string>     $headers
     *
     * @return array{int, string} status and body
     */
    private static function ask(
        string $method,
        string $path,
        array $headers = [],
        string $body = '',
        ?int $port = null,
    ): array {
        $handle = curl_init('http://127.0.0.1:' . ($port ?? self::$port) . $path);
        \assert(false !== $handle);
        curl_setopt_array(
            $handle,
            [
                \CURLOPT_CUSTOMREQUEST => $method,
                \CURLOPT_RETURNTRANSFER => true,
                \CURLOPT_HTTPHEADER => [...$headers, 'Expect:'],
                \CURLOPT_TIMEOUT => 30,
            ] + ('' === $body ? [] : [\CURLOPT_POSTFIELDS => $body]),
        );
        $answer = curl_exec($handle);

        return [curl_getinfo($handle, \CURLINFO_RESPONSE_CODE), is_string($answer) ? $answer : ''];
    }
}
