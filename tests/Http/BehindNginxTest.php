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
    private static int $plainPort;
    /** @var list<Process> */
    private static array $processes = [];

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir() . '/stemmata-nginx-' . bin2hex(random_bytes(4));
        [self::$port, self::$publicPort, self::$plainPort] = [FreePort::find(), FreePort::find(), FreePort::find()];
        $files = new Filesystem();
        $files->mkdir([self::$folder, self::$folder . '/data']);
        $root = dirname(__DIR__, 2);
        $values = [
            '@STEMMATA@' => $root,
            '@SOCKET@' => self::$folder . '/fpm.sock',
            '@DATA@' => self::$folder . '/data',
            '@PORT@' => (string) self::$port,
            '@USER@' => (string) (posix_getpwuid(posix_geteuid())['name'] ?? ''),
        ];
        $shipped = static fn(string $name): string => strtr(
            (string) file_get_contents($root . '/deploy/' . $name),
            $values,
        );
        $files->dumpFile(self::$folder . '/nginx-stemmata.conf', $shipped('nginx-stemmata.conf'));
        $server = strtr($shipped('nginx.conf'), [
            '/etc/nginx/stemmata.conf' => self::$folder . '/nginx-stemmata.conf',
        ]);
        // The server for other machines, with the signs taken away, and places of its own for what is kept in /etc.
        $public = strtr((string) preg_replace('/^# ?/m', '', substr($server, (int) strpos($server, '# server {'))), [
            'listen 443' => 'listen 127.0.0.1:' . self::$publicPort,
            '/etc/ssl/certs/stemmata.pem' => self::$folder . '/certificate.pem',
            '/etc/ssl/private/stemmata.key' => self::$folder . '/certificate.key',
            '/etc/nginx/stemmata.users' => self::$folder . '/users',
        ]);
        // The same behind another proxy that ends TLS.
        $plain = strtr((string) preg_replace('/^ *ssl_.*\n/m', '', $public), [
            'listen 127.0.0.1:' . self::$publicPort . ' ssl' => 'listen 127.0.0.1:' . self::$plainPort,
        ]);
        (new Process([
            'openssl',
            'req',
            '-x509',
            '-newkey',
            'rsa:2048',
            '-nodes',
            '-days',
            '2',
            '-subj',
            '/CN=stemmata.example.org',
            '-addext',
            'subjectAltName=DNS:stemmata.example.org',
            '-keyout',
            self::$folder . '/certificate.key',
            '-out',
            self::$folder . '/certificate.pem',
        ]))->mustRun();
        $files->dumpFile(
            self::$folder . '/nginx.conf',
            sprintf(
                "pid %s/nginx.pid;\nerror_log %1\$s/nginx.log;\nworker_processes 1;\ndaemon off;\nevents {}\nhttp {\ninclude /etc/nginx/mime.types;\naccess_log off;\nclient_body_temp_path %1\$s/body;\nfastcgi_temp_path %1\$s/fastcgi;\nproxy_temp_path %1\$s/proxy;\nuwsgi_temp_path %1\$s/uwsgi;\nscgi_temp_path %1\$s/scgi;\n%s\n%s\n%s\n}\n",
                self::$folder,
                $server,
                $public,
                $plain,
            ),
        );
        $isRoot = 0 === posix_getuid();
        $fpm = static fn(string $pool): array => ['/usr/sbin/php-fpm8.2', ...$isRoot ? ['-R'] : [], '-y', $pool];
        $global = sprintf("[global]\nerror_log = %s/fpm.log\ndaemonize = no\n", self::$folder);
        $files->dumpFile(self::$folder . '/shipped.conf', $global . $shipped('php-fpm.conf'));
        (new Process([...$fpm(self::$folder . '/shipped.conf'), '-t']))->mustRun();
        $files->dumpFile(
            self::$folder . '/fpm.conf',
            $global .
                strtr($shipped('php-fpm.conf'), [
                    ';env[STEMMATA_HOSTS]' => 'env[STEMMATA_HOSTS]',
                    ';env[STEMMATA_PROXIES] = 192.0.2.1' => 'env[STEMMATA_PROXIES] = 127.0.0.1',
                ]),
        );
        (new Process(['php', 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'], $root, [
            'STEMMATA_DATA' => self::$folder . '/data',
            'APP_ENV' => 'prod',
        ]))->mustRun();
        self::$processes = [
            new Process([...$fpm(self::$folder . '/fpm.conf'), '-F'], timeout: null),
            new Process(
                [
                    '/usr/sbin/nginx',
                    '-e',
                    self::$folder . '/nginx.log',
                    '-c',
                    self::$folder . '/nginx.conf',
                    // As Debian’s own nginx.conf says.
                    ...$isRoot ? ['-g', 'user www-data;'] : [],
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
        $asked = static fn(string ...$more): array => self::ask(
            'GET',
            '/api/documents',
            ['Host: stemmata.example.org', ...array_values($more)],
            port: self::$publicPort,
        );
        @unlink(self::$folder . '/users');
        self::assertSame(401, $asked()[0]);
        // Once there is a name and a password but no file of them, no one gets in.
        self::assertGreaterThanOrEqual(403, $asked(self::login('writer', 'secret'))[0]);
        self::keepUsers(['writer' => 'secret', 'reader' => 'other']);
        self::assertSame(401, $asked(self::login('writer', 'wrong'))[0]);
        self::assertSame(401, $asked(self::login('writer', 'other'))[0]);
        self::assertSame(200, $asked(self::login('writer', 'secret'))[0]);
        self::assertSame(200, $asked(self::login('reader', 'other'))[0]);
    }

    /** Where the web server asks no one, a name that a browser sends was checked by no one. */
    public function testAHeaderIsNoLogin(): void
    {
        foreach (
            [[], [self::login('writer', 'secret')], ['Stemmata-Login: writer'], ['Remote-User: writer']]
            as $more
        ) {
            [$status, $body] = self::ask('GET', '/api/documents', ['Host: stemmata.example.org', ...$more]);
            self::assertSame(403, $status);
            self::assertStringContainsString('no one is asked to log in', $body);
        }
    }

    public function testWhoCameByTlsComesByNothingElseFromThenOn(): void
    {
        self::keepUsers(['writer' => 'secret']);
        $page = self::ask(
            'GET',
            '/',
            ['Host: stemmata.example.org', self::login('writer', 'secret')],
            port: self::$publicPort,
        );
        self::assertSame(200, $page[0]);
        self::assertStringContainsString('Strict-Transport-Security: max-age=31536000', $page[2]);
        self::assertStringNotContainsString('Strict-Transport-Security', self::ask('GET', '/')[2]);
        self::assertSame(1, preg_match('~/build/[^"]+\.js~', $page[1] . self::ask('GET', '/')[1], $script));
        $asset = self::ask(
            'GET',
            $script[0] ?? '',
            ['Host: stemmata.example.org', self::login('writer', 'secret')],
            port: self::$publicPort,
        );
        self::assertSame(200, $asset[0]);
        self::assertStringContainsString('Strict-Transport-Security', $asset[2]);
    }

    public function testTheMethodIsWhatTheRequestSays(): void
    {
        $made = json_decode(
            self::ask('POST', '/api/documents', ['Content-Type: application/json'], '{"title": "Stays"}')[1],
            true,
        );
        self::assertIsArray($made);
        self::assertIsString($made['id']);
        $path = '/api/documents/' . $made['id'];
        self::ask('POST', $path, ['X-HTTP-Method-Override: DELETE', 'Content-Type: application/json'], '{}');
        self::assertSame(200, self::ask('GET', $path)[0]);
        self::assertStringContainsString('Stays', self::ask('GET', '/api/documents')[1]);
    }

    public function testWhoReadsSlowlyKeepsNobodyWaiting(): void
    {
        $long = '# Long' . str_repeat("\n\n" . str_repeat('It was read and written down. ', 300), 1200);
        $made = json_decode(self::ask('POST', '/api/documents/import?name=x.md', [], $long)[1], true);
        self::assertIsArray($made);
        self::assertIsString($made['id']);
        $slow = [];
        for ($each = 0; $each < 10; ++$each) {
            $socket = stream_socket_client('tcp://127.0.0.1:' . self::$port);
            self::assertNotFalse($socket);
            fwrite(
                $socket,
                "GET /api/documents/{$made['id']}/export?format=md HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n",
            );
            $slow[] = $socket;
        }
        sleep(4);
        $began = microtime(true);
        self::assertSame(200, self::ask('GET', '/api/documents')[0]);
        self::assertLessThan(5, microtime(true) - $began, 'it took a minute while workers waited for slow readers');
        foreach ($slow as $socket) {
            self::assertStringContainsString('200 OK', (string) fgets($socket));
            fclose($socket);
        }
    }

    public function testBehindAProxyThatEndsTlsWritesWork(): void
    {
        self::keepUsers(['writer' => 'secret']);
        $asBrowser = [
            'Host: stemmata.example.org',
            self::login('writer', 'secret'),
            'Origin: https://stemmata.example.org',
            'Sec-Fetch-Site: same-origin',
            'Content-Type: application/json',
        ];
        self::assertSame(
            403,
            self::ask('POST', '/api/documents', $asBrowser, '{"title": "x"}', self::$plainPort)[0],
            'another origin as long as no proxy says so',
        );
        self::assertSame(
            201,
            self::ask(
                'POST',
                '/api/documents',
                [...$asBrowser, 'X-Forwarded-Proto: https', 'X-Forwarded-Port: 443', 'X-Forwarded-For: 203.0.113.7'],
                '{"title": "x"}',
                self::$plainPort,
            )[0],
        );
    }

    private static function login(string $name, string $password): string
    {
        return 'Authorization: Basic ' . base64_encode($name . ':' . $password);
    }

    /**
     * As deploy/README.md says it is done.
     *
     * @param array<string, string> $passwords by name
     */
    private static function keepUsers(array $passwords): void
    {
        $lines = '';
        foreach ($passwords as $name => $password) {
            $hash = (new Process(['openssl', 'passwd', '-6', '-stdin'], input: $password))->mustRun()->getOutput();
            $lines .= $name . ':' . trim($hash) . "\n";
        }
        file_put_contents(self::$folder . '/users', $lines);
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
     * @return array{int, string, string} status, body and headers
     */
    private static function ask(
        string $method,
        string $path,
        array $headers = [],
        string $body = '',
        ?int $port = null,
    ): array {
        $host = $port === self::$publicPort ? 'https://stemmata.example.org:' : 'http://127.0.0.1:';
        $handle = curl_init($host . ($port ?? self::$port) . $path);
        \assert(false !== $handle);
        curl_setopt_array(
            $handle,
            [
                \CURLOPT_CUSTOMREQUEST => $method,
                \CURLOPT_RETURNTRANSFER => true,
                \CURLOPT_HTTPHEADER => [...$headers, 'Expect:'],
                \CURLOPT_TIMEOUT => 30,
                \CURLOPT_HEADER => true,
                \CURLOPT_CAINFO => self::$folder . '/certificate.pem',
                \CURLOPT_RESOLVE => ['stemmata.example.org:' . self::$publicPort . ':127.0.0.1'],
            ] + ('' === $body ? [] : [\CURLOPT_POSTFIELDS => $body]),
        );
        $answer = curl_exec($handle);

        $answer = is_string($answer) ? $answer : '';
        $head = curl_getinfo($handle, \CURLINFO_HEADER_SIZE);

        return [curl_getinfo($handle, \CURLINFO_RESPONSE_CODE), substr($answer, $head), substr($answer, 0, $head)];
    }
}
