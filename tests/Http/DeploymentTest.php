<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * What `deploy/README.md` says is done, command by command, on a machine as good as fresh: a namespace with folders and a
 * network of its own, of which nothing stays.
 */
final class DeploymentTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    public function testWhatTheReadmeSaysIsAllThatItTakes(): void
    {
        $probe =
            'mount -t tmpfs tmpfs /srv && mkdir /srv/a /srv/b /srv/c && mount -t overlay overlay -o lowerdir=/srv/a,upperdir=/srv/b,workdir=/srv/c /mnt';
        if (
            0 !== posix_getuid() ||
            0 !== (new Process(['unshare', '--mount', '--net', '--pid', '--fork', 'bash', '-c', $probe]))->run()
        ) {
            self::markTestSkipped('A machine within this one can be made by root only, and not everywhere.');
        }
        $blocks = self::commands();
        self::assertSame(['Set up', 'For other machines', 'After an update'], array_keys($blocks));
        [$setUp, $more, $update] = array_values($blocks);
        self::assertCount(3, $setUp);
        self::assertCount(3, $more);
        $script = implode("\n", [
            (string) file_get_contents(__DIR__ . '/deployment.sh'),
            ...$setUp,
            'here="http://127.0.0.1:8160"',
            'comes "$here/api/ping"',
            'tell ping "$(status "$here/api/ping")"',
            'made=$(curl -s -X POST --data-binary "<h1>Coast</h1><p>Kept.</p>" "$here/api/documents/import?name=x.html")',
            'id=$(printf %s "$made" | sed "s/.*\"id\":\"\([a-z0-9]*\)\".*/\1/")',
            'comes "$here/api/documents/$id/pages.pdf"',
            'tell pdf "$(curl -s "$here/api/documents/$id/pages.pdf" | head -c 5)"',
            'tell others-read "$(as_nobody cat /var/lib/stemmata/data/stemmata.sqlite)"',
            'tell others-write "$(as_nobody touch /srv/stemmata/var/cache/x)"',
            'tell others-ask "$(as_nobody php -r "echo @stream_socket_client(\'unix:///run/php/stemmata.sock\', \$no, \$why) ? 1 : \$why;")"',
            'tell unknown-host "$(status -H "Host: stemmata.example.org" "$here/api/documents")"',
            'certify',
            $more[0],
            "restarted() {\n" . $more[2] . '}',
            'restarted',
            'comes "$here/api/ping"',
            'tell without-users "$(status "$there/api/documents")"',
            'printf "secret\nsecret\n" > /root/typed',
            '{ ' . trim($more[1]) . '; } < /root/typed',
            'printf "other\nother\n" > /root/typed',
            '{ ' . trim(str_replace('writer', 'reader', $more[1])) . '; } < /root/typed',
            'for each in writer:secret reader:other writer:other nobody:secret; do tell "$each" "$(status -u "$each" "$there/api/documents")"; done',
            'tell no-name "$(status "$there/api/documents")"',
            'tell here-still "$(status "$here/api/documents")"',
            $update[0],
            'comes "$here/api/ping"',
            'tell kept "$(curl -s "$here/api/documents/$id/export?format=md")"',
        ]);
        $machine = new Process(
            ['unshare', '--mount', '--net', '--pid', '--fork', '--mount-proc', 'setsid', 'bash', '-c', $script],
            self::ROOT,
            ['APP_ENV' => false, 'STEMMATA_DATA' => false, 'TEST_TOKEN' => false],
            timeout: 180,
        );
        $machine->run();
        $output = $machine->getOutput() . $machine->getErrorOutput();
        self::assertSame(0, $machine->getExitCode(), $output);
        preg_match_all('/^TOLD ([^ ]+) (.*)$/m', $machine->getOutput(), $told, \PREG_SET_ORDER);
        $told = array_column($told, 2, 1);

        self::assertSame(
            [
                'ping' => '200',
                'pdf' => '%PDF-',
                'others-read' => 'Permission denied',
                'others-write' => 'Permission denied',
                'others-ask' => 'Permission denied',
                'unknown-host' => '421',
                'without-users' => '401',
                'writer:secret' => '200',
                'reader:other' => '200',
                'writer:other' => '401',
                'nobody:secret' => '401',
                'no-name' => '401',
                'here-still' => '200',
                'kept' => '# Coast Kept.',
            ],
            $told,
            $output,
        );
    }

    /** @return array<string, list<string>> what is to be typed, by the heading that it stands under */
    private static function commands(): array
    {
        $blocks = [];
        foreach (preg_split('/^## /m', (string) file_get_contents(self::ROOT . '/deploy/README.md')) ?: [] as $part) {
            if (preg_match_all('/^```sh\n(.*?)^```$/ms', $part, $found) > 0) {
                $blocks[(string) strtok($part, "\n")] = $found[1];
            }
        }

        return $blocks;
    }
}
