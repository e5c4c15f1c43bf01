<?php

declare(strict_types=1);

// The largest files of each kind that are accepted, and the oddest, read as an import reads them: time, and the peak of
// the
// largest process. Prints a table for docs/performance.md.

$folder = sys_get_temp_dir() . '/stemmata-limits-' . getmypid();
mkdir($folder);
$words = rtrim(str_repeat('glass keeper reading gale lamp ', 20));
$share = '' === (string) getenv('BENCH_QUICK') ? 1 : 0.01;
$megabytes = static fn(float $count): int => (int) ($share * $count * 1024 * 1024) - 4000;
/** @param Closure(int): string $part */
$filled = static function (int $bytes, Closure $part, string $before = '', string $after = ''): string {
    for ($text = $before, $at = 0; strlen($text) < $bytes - strlen($after); ++$at) {
        $text .= $part($at);
    }

    return $text . $after;
};
/** @param array<string, string> $parts */
$zipped = static function (array $parts) use ($folder): string {
    $zip = new ZipArchive();
    $zip->open($folder . '/zip', ZipArchive::CREATE | ZipArchive::OVERWRITE);
    foreach ($parts as $name => $bytes) {
        $zip->addFromString($name, $bytes);
    }
    $zip->close();

    return (string) file_get_contents($folder . '/zip');
};
$w = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
$files = [
    'Markdown, 12 MB' => [
        'md',
        static fn(): string => $filled(
            $megabytes(12),
            static fn(int $at): string => "## Part {$at}\n\n{$words}\n\n{$words} **bold** *it*\n\n",
        ),
    ],
    'HTML, 12 MB' => [
        'html',
        static fn(): string => $filled(
            $megabytes(12),
            static fn(int $at): string => "<h2>Part {$at}</h2><p>{$words}<p>{$words} <b>bold</b> <i>it</i>\n",
        ),
    ],
    'OPML, 9 MB' => [
        'opml',
        static fn(): string => $filled(
            $megabytes(9),
            static fn(int $at): string => "<outline text=\"Part {$at}\" _note=\"{$words}\"/>",
            '<opml><body>',
            '</body></opml>',
        ),
    ],
    'plain text, 48 MB' => [
        'txt',
        static fn(): string => $filled(
            $megabytes(48),
            static fn(int $at): string => "Part {$at}\n\n{$words}\n\n{$words}\n\n",
        ),
    ],
    'DOCX, body of 80 MB' => [
        'docx',
        static fn(): string => $zipped([
            '[Content_Types].xml' => '<Types/>',
            'word/document.xml' => $filled(
                $megabytes(80),
                static fn(
                    int $at,
                ): string => "<w:p><w:pPr><w:outlineLvl w:val=\"1\"/></w:pPr><w:r><w:t>Part {$at}</w:t></w:r></w:p>" .
                    str_repeat("<w:p><w:r><w:t>{$words}</w:t></w:r></w:p>", 3),
                "<w:document {$w}><w:body>",
                '</w:body></w:document>',
            ),
        ]),
    ],
    'ODT, content of 80 MB' => [
        'odt',
        static fn(): string => $zipped([
            'mimetype' => 'application/vnd.oasis.opendocument.text',
            'META-INF/manifest.xml' => '<x/>',
            'content.xml' => $filled(
                $megabytes(80),
                static fn(int $at): string => "<text:h text:outline-level=\"2\">Part {$at}</text:h>" .
                    str_repeat("<text:p>{$words}</text:p>", 3),
                '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"><office:body><office:text>',
                '</office:text></office:body></office:document-content>',
            ),
        ]),
    ],
    'Markdown with 60,000 headings' => [
        'md',
        static fn(): string => implode(
            '',
            array_map(static fn(int $at): string => "## Part {$at}\n\nx\n\n", range(1, (int) (60_000 * $share))),
        ),
    ],
    'a table of 440 KB' => [
        'md',
        static fn(): string => $filled(
            (int) (440_000 * $share),
            static fn(int $at): string => "| cell {$at} | x |\n",
            "# T\n\n| a | b |\n|---|---|\n",
        ),
    ],
    'an element with 100,000 attributes' => [
        'html',
        static fn(): string => '<h1>T</h1><p ' .
            implode(' ', array_map(static fn(int $at): string => "a{$at}=1", range(1, (int) (100_000 * $share)))) .
            '>x',
    ],
    '660,000 divs in each other, 3.3 MB' => [
        'html',
        static fn(): string => '<h1>T</h1>' . str_repeat('<div>', (int) (660_000 * $share)) . 'x',
    ],
];
echo "| file | read in | largest process | sections |\n| --- | ---: | ---: | ---: |\n";
foreach ($files as $name => [$ending, $made]) {
    file_put_contents($folder . '/file', $made());
    // A child of its own, so that its peak is not that of the file before.
    $measured = shell_exec(
        sprintf(
            'php -r %s %s %s',
            escapeshellarg(
                '$start = hrtime(true); $worker = proc_open(["bash", "-c", "ulimit -d 524288; exec php -d memory_limit=512M bin/console stemmata:stage-file -- x.$argv[1] $argv[2]/file $argv[2]/staged"], [], $pipes); $code = proc_close($worker); printf("%d %.1f %d", $code, (hrtime(true) - $start) / 1e9, getrusage(1)["ru_maxrss"] / 1024);',
            ),
            $ending,
            escapeshellarg($folder),
        ),
    );
    [$code, $seconds, $peak] = explode(' ', (string) $measured);
    printf(
        "| %s | %s s | %s MB | %s |\n",
        $name,
        $seconds,
        $peak,
        '0' === $code ? number_format(count(file($folder . '/staged') ?: []) - 1) : 'refused in words',
    );
}
array_map(unlink(...), glob($folder . '/*') ?: []);
rmdir($folder);
