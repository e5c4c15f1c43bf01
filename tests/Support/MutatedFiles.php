<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Sound files of every kind that is read, each spoilt a little or a lot; the same number gives the same file. */
final class MutatedFiles
{
    /** What readers stumble over, put in anywhere. */
    private const STUMBLING = [
        'data:image/bmp;base64,AAAA',
        'data:image/jpg;base64,AAAA',
        "data:image/png;base64,AA\nAA",
        '<img src="data:image/bmp;base64,QUFB" alt="x">',
        '&#xD800;',
        '&#0;',
        '&#x110000;',
        "\0",
        "\x01\x0B\x0C",
        "\xED\xA0\x80",
        "\xFF",
        "\xEF\xBF\xBE",
        '<![CDATA[',
        ']]>',
        '<!--',
        '-->',
        '</',
        '<',
        '>',
        '&',
        '"',
        "'",
        '{#id}',
        '{-}',
        '[^1]',
        '[^1]: [^1]',
        '```',
        '$$x$$',
        '|',
        "\n|---|\n",
        '# ',
        '####### ',
        '> ',
        '- ',
        '1. ',
        '***',
        '[a](',
        '](b)',
        '![](',
        '<a name="é">',
        '<a id="-">',
        '<table>',
        '<td colspan="999999">',
        '<td rowspan="99999">',
        '</table>',
        '<h2>',
        '</h3>',
        '<p dir=rtl>',
        '<del>',
        '<svg>',
        '<math>',
        '<script>',
        '<ol start="-5">',
        '<ol start="99999999999999999999">',
        'javascript:alert(1)',
        'section:aaaaaaaaaaaa',
        'bookmark:',
        '#',
        'href="#"',
        '<w:p>',
        '</w:p>',
        '<w:t>',
        '<w:br w:type="page"/>',
        '<w:bookmarkStart w:name="x"/>',
        'w:val="99999999999"',
        'outline-level="-3"',
        '<text:h text:outline-level="99">',
        '<text:note>',
        '<text:p>',
        '<outline text="',
        '_note="',
        '<!DOCTYPE x [<!ENTITY a "b">]>',
        '𝄞',
        'שלום',
        "e\u{301}",
        "\u{202E}",
        "\u{2028}",
    ];

    private Randomizer $random;

    public function __construct(int $number)
    {
        $this->random = new Randomizer(new Mt19937($number));
    }

    /**
     * @param array<string, string> $originals bytes by file name
     *
     * @return array{string, string} a file's name and its bytes
     */
    public function file(array $originals): array
    {
        $name = array_keys($originals)[$this->random->getInt(0, count($originals) - 1)];
        $bytes = $originals[$name];

        return [
            $name,
            str_starts_with($bytes, 'PK') && $this->random->getInt(0, 4) > 0
                ? $this->archive($bytes)
                : $this->spoilt($bytes),
        ];
    }

    /** Parts of an archive, one or two of them spoilt, packed again; so the reader gets past the wrapping. */
    private function archive(string $bytes): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'stemmata-mutant');
        file_put_contents($file, $bytes);
        $zip = new \ZipArchive();
        $zip->open($file);
        for ($changes = $this->random->getInt(1, 2); $changes > 0; --$changes) {
            $name = (string) $zip->getNameIndex($this->random->getInt(0, $zip->numFiles - 1));
            $zip->addFromString($name, $this->spoilt((string) $zip->getFromName($name)));
        }
        $zip->close();
        $spoilt = (string) file_get_contents($file);
        unlink($file);

        return $spoilt;
    }

    private function spoilt(string $bytes): string
    {
        for ($changes = $this->random->getInt(1, 6); $changes > 0; --$changes) {
            $at = $this->random->getInt(0, strlen($bytes));
            $length = min($this->random->getInt(0, 40), strlen($bytes) - $at);
            $bytes = match ($this->random->getInt(0, 7)) {
                0 => substr_replace($bytes, chr($this->random->getInt(0, 255)), $at, min(1, $length)),
                1 => substr_replace($bytes, '', $at, $length),
                2 => substr($bytes, 0, max(1, $at)),
                3 => substr_replace($bytes, substr($bytes, $at, $length), $this->random->getInt(0, strlen($bytes)), 0),
                4 => substr_replace(
                    $bytes,
                    str_repeat(
                        self::STUMBLING[$this->random->getInt(0, count(self::STUMBLING) - 1)],
                        $this->random->getInt(1, 2000),
                    ),
                    $at,
                    0,
                ),
                default => substr_replace(
                    $bytes,
                    self::STUMBLING[$this->random->getInt(0, count(self::STUMBLING) - 1)],
                    $at,
                    $this->random->getInt(0, 1) * $length,
                ),
            };
        }

        return $bytes;
    }
}
