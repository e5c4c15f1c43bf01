<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;
use Symfony\Component\Process\Process;

/** Files made to do harm: refused or cleaned, with one sentence, within ten seconds and 512 megabytes. */
final class HostileFilesTest extends TestCase
{
    private const CONTAINER = '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="book.opf"/></rootfiles></container>';
    private const OPF = '<package xmlns="http://www.idpf.org/2007/opf"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>Book</dc:title></metadata><manifest><item id="a" href="a.xhtml" media-type="application/xhtml+xml"/></manifest><spine><itemref idref="a"/></spine></package>';

    /** @return iterable<string, array{string, string, string}> ending, bytes, sentence */
    public static function refused(): iterable
    {
        $docx = self::docx('<w:p><w:r><w:t>words</w:t></w:r></w:p>');
        yield 'a truncated archive' => [
            'docx',
            substr($docx, 0, (int) (strlen($docx) / 2)),
            'The file is damaged or cut off: its parts cannot be unpacked.',
        ];
        yield 'an archive of something else' => [
            'docx',
            self::zip(['a.txt' => 'a']),
            'The file is an archive that holds no text that Stemmata reads.',
        ];
        yield 'no archive at all' => [
            'docx',
            'plain words',
            'The file is damaged or cut off: its parts cannot be unpacked.',
        ];
        yield 'a protected office file' => [
            'docx',
            "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1" . str_repeat("\0", 600),
            'The file is protected by a password or of an older kind; save it as .docx or .odt without a password and try again.',
        ];
        yield 'an encrypted archive' => [
            'docx',
            self::zip(['word/document.xml' => '<w:document/>'], 'secret'),
            'The file is protected by a password; save it without one and try again.',
        ];
        yield 'an encrypted ODT' => [
            'odt',
            self::zip([
                'mimetype' => 'application/vnd.oasis.opendocument.text',
                'META-INF/manifest.xml' =>
                    '<manifest:manifest xmlns:manifest="m"><manifest:encryption-data/></manifest:manifest>',
                'content.xml' => "\1\2\3",
            ]),
            'The file is protected by a password; save it without one and try again.',
        ];
        yield 'a locked EPUB' => [
            'epub',
            self::zip([
                'mimetype' => 'application/epub+zip',
                'META-INF/encryption.xml' => '<encryption><EncryptionMethod Algorithm="aes"/></encryption>',
                'META-INF/container.xml' => self::CONTAINER,
                'book.opf' => self::OPF,
            ]),
            'The file is protected by a password; save it without one and try again.',
        ];
        yield 'an external entity in a DOCX' => [
            'docx',
            self::docx(
                '<w:p><w:r><w:t>&x;</w:t></w:r></w:p>',
                '<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]>',
            ),
            'The file is damaged: its text cannot be made out.',
        ];
        yield 'entities that multiply' => [
            'opml',
            '<!DOCTYPE a [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><opml><body><outline text="&b;"/></body></opml>',
            'The file is damaged: its text cannot be made out.',
        ];
        yield 'entities behind a long comment' => [
            'opml',
            '<?xml version="1.0"?><!--' .
            str_repeat('-x ', 40_000) .
            '--><!DOCTYPE a [<!ENTITY b "c">]><opml><body><outline text="&b;"/></body></opml>',
            'The file is damaged: its text cannot be made out.',
        ];
        yield 'entities in another encoding' => [
            'docx',
            self::zip([
                '[Content_Types].xml' => '<Types/>',
                'word/document.xml' =>
                    '<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body><w:p/></w:body></w:document>',
                'word/styles.xml' =>
                    "\xFF\xFE" .
                    mb_convert_encoding(
                        '<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE a [<!ENTITY b "c">]><styles>&b;</styles>',
                        'UTF-16LE',
                    ),
            ]),
            'The file is damaged: its text cannot be made out.',
        ];
        yield 'a broken checksum' => [
            'docx',
            str_replace('words', 'sworn', self::stored('<w:p><w:r><w:t>words</w:t></w:r></w:p>')),
            'The file is damaged or cut off: its parts cannot be unpacked.',
        ];
        yield 'ten thousand outlines in each other' => [
            'opml',
            '<opml><body>' .
            str_repeat('<outline text="a">', 10_000) .
            str_repeat('</outline>', 10_000) .
            '</body></opml>',
            'The file is damaged: its text cannot be made out.',
        ];
        yield 'ten thousand boxes in each other' => [
            'docx',
            self::docx(
                str_repeat('<w:sdt><w:sdtContent>', 10_000) . '<w:p/>' . str_repeat('</w:sdtContent></w:sdt>', 10_000),
            ),
            'The file is damaged: its text cannot be made out.',
        ];
        yield 'a PDF' => [
            'docx',
            "%PDF-1.7\n",
            'The file is a PDF, which holds pages and not a text; import the file that it was made from.',
        ];
        yield 'a picture called a text' => [
            'txt',
            "\x89PNG\r\n\x1a\n\0\0\0",
            'The file is not text; it may be of another kind than its name says.',
        ];
        yield 'an EPUB without a book' => [
            'epub',
            self::zip(['mimetype' => 'application/epub+zip', 'META-INF/container.xml' => self::CONTAINER]),
            'The file is not complete: its part “book.opf” is missing.',
        ];
    }

    #[DataProvider('refused')]
    public function testIsRefusedInOneSentence(string $ending, string $bytes, string $sentence): void
    {
        memory_reset_peak_usage();
        try {
            Services::formats()->readAsIs('file.' . $ending, $bytes);
            self::fail('It was read.');
        } catch (FormatException $refusal) {
            self::assertSame($sentence, $refusal->getMessage());
        }
        self::assertLessThan(512 * 1024 * 1024, memory_get_peak_usage());
    }

    public function testBombsAndHugeFilesAreRefusedSoon(): void
    {
        $folder = TemporaryFolder::made();
        // 600 megabytes of blanks, and the same with a size that the archive's own table plays down.
        Foreign::run(
            ['/usr/bin/python3', '-', $folder],
            <<<'PY'
            import sys, zipfile, struct
            folder = sys.argv[1]
            with zipfile.ZipFile(folder + '/bomb.docx', 'w', zipfile.ZIP_DEFLATED, compresslevel=1) as z:
                z.writestr('[Content_Types].xml', '<Types/>')
                with z.open('word/document.xml', 'w', force_zip64=False) as part:
                    for _ in range(600):
                        part.write(b' ' * 1048576)
            data = bytearray(open(folder + '/bomb.docx', 'rb').read())
            at = data.rfind(b'PK\x01\x02')
            struct.pack_into('<I', data, at + 24, 4096)
            open(folder + '/liar.docx', 'wb').write(data)
            PY
            ,
        );
        Foreign::run(['truncate', '-s', '500M', $folder . '/huge.md']);

        foreach (
            [
                'bomb.docx' => 'The file unpacks to more than 400 megabytes',
                'liar.docx' => 'The file ',
                'huge.md' => 'The file is larger than 64 megabytes',
            ]
            as $name => $sentence
        ) {
            $run = new Process(
                ['php', 'bin/console', 'stemmata:outline', $folder . '/' . $name, '--json'],
                dirname(__DIR__, 2),
                ['APP_ENV' => 'prod'],
                timeout: 10,
            );
            $run->run();
            self::assertSame(1, $run->getExitCode(), $name);
            self::assertMatchesRegularExpression(
                '/\A' . preg_quote($sentence, '/') . '[^\n]*\.\n\z/',
                $run->getErrorOutput(),
                $name,
            );
            self::assertSame('', $run->getOutput());
            unlink($folder . '/' . $name);
        }
    }

    public function testWhatRunsIsCleanedAway(): void
    {
        $html =
            '<p onclick="steal()">words <a href="javascript:steal()">trick</a> <a href="https://example.org" onmouseover="steal()">web</a><img src="x" onerror="steal()"><script>steal()</script><iframe srcdoc="<script>steal()</script>"></iframe></p><svg onload="steal()"><text>drawn</text></svg>';
        $read = Services::formats()->readAsIs('x.html', $html);
        $written = Services::formats()->written('html', $read->document);

        self::assertStringContainsString('words', $written);
        self::assertStringContainsString('href="https://example.org"', $written);
        // What an SVG holds is shown as a picture only, in which nothing runs.
        self::assertStringNotContainsString(
            'steal',
            (string) preg_replace('/data:image\/svg\+xml;base64,[A-Za-z0-9+\/=]*/', '', $written),
        );
        self::assertStringNotContainsString('javascript:', $written);
    }

    public function testNamesThatClimbOutOfTheArchiveReachNothing(): void
    {
        $drawing =
            '<w:p><w:r><w:drawing><a:blip xmlns:a="a" xmlns:r="r" r:embed="rId1"/></w:drawing></w:r></w:p><w:p><w:r><w:t>words</w:t></w:r></w:p>';
        $bytes = self::zip([
            'word/document.xml' => '<w:document xmlns:w="w"><w:body>' . $drawing . '</w:body></w:document>',
            'word/_rels/document.xml.rels' =>
                '<Relationships><Relationship Id="rId1" Type="http://x/image" Target="../../../../../../etc/passwd"/></Relationships>',
            '../../etc/evil' => 'evil',
        ]);
        $read = Services::formats()->readAsIs('x.docx', $bytes);

        self::assertSame(['One picture is named in the file but not in it. (passwd)'], $read->report->warnings());
        self::assertStringNotContainsString('root:', Services::formats()->written('html', $read->document));
    }

    public function testABookWithScrambledFontsIsReadAndOneWithALockedPageIsNot(): void
    {
        $book = static fn(string $locked): string => self::zip([
            'mimetype' => 'application/epub+zip',
            'META-INF/encryption.xml' =>
                '<encryption xmlns:enc="e"><enc:EncryptedData><enc:EncryptionMethod Algorithm="any"/><enc:CipherData><enc:CipherReference URI="' .
                $locked .
                '"/></enc:CipherData></enc:EncryptedData></encryption>',
            'META-INF/container.xml' => self::CONTAINER,
            'book.opf' => self::OPF,
            'a.xhtml' => '<html xmlns="http://www.w3.org/1999/xhtml"><body><h1>One</h1></body></html>',
        ]);
        self::assertSame(
            'One',
            Services::formats()->readAsIs('x.epub', $book('fonts/body.woff2'))->document->headings()[0],
        );
        $this->expectExceptionMessage('The file is protected by a password; save it without one and try again.');
        Services::formats()->readAsIs('x.epub', $book('a.xhtml'));
    }

    public function testEntitiesOfABookAreNotFetched(): void
    {
        $page =
            '<!DOCTYPE html [<!ENTITY x SYSTEM "file:///etc/passwd">]><html xmlns="http://www.w3.org/1999/xhtml"><body><h1>One</h1><p>before &x; after &nbsp; &eacute;</p></body></html>';
        $document = Services::formats()->readAsIs(
            'x.epub',
            self::zip([
                'mimetype' => 'application/epub+zip',
                'META-INF/container.xml' => self::CONTAINER,
                'book.opf' => self::OPF,
                'a.xhtml' => $page,
            ]),
        )->document;

        self::assertSame('One', $document->headings()[0]);
        self::assertStringNotContainsString('root:', $document->sectionAt(0)->body->plainText());
        self::assertStringContainsString('é', $document->sectionAt(0)->body->plainText());
    }

    /** @return iterable<string, array{string, string}> */
    public static function deep(): iterable
    {
        yield 'boxes' => ['html', str_repeat('<div>', 10_000) . '<h1>One</h1><p>words</p>'];
        yield 'quotations' => ['html', '<h1>One</h1>' . str_repeat('<blockquote>', 10_000) . 'words'];
        yield 'lists' => ['html', '<h1>One</h1>' . str_repeat('<ul><li>', 5_000) . 'words'];
        yield 'spans' => ['html', '<h1>One</h1><p>' . str_repeat('<b><span>', 5_000) . 'words'];
        yield 'marks of quotation' => ['md', "# One\n\n" . str_repeat('>', 10_000) . ' words'];
        yield 'brackets' => ['md', "# One\n\nwords " . str_repeat('[', 10_000) . str_repeat('*a ', 10_000)];
    }

    #[DataProvider('deep')]
    public function testTenThousandDeepIsReadWithItsWords(string $ending, string $bytes): void
    {
        $document = Services::formats()->readAsIs('x.' . $ending, $bytes)->document;

        self::assertContains('One', $document->headings());
        $last = $document->sectionAt($document->outline->count() - 1);
        self::assertStringContainsString('words', $last->body->plainText());
        self::assertSame($last->body->toJson(), \Stemmata\Core\Text\Body::fromJson($last->body->toJson())->toJson());
    }

    public function testAFileIsReadAsWhatItIsWhateverItsNameSays(): void
    {
        $read = Services::formats()->readAsIs('letter.odt', self::docx('<w:p><w:r><w:t>words</w:t></w:r></w:p>'));

        self::assertSame('words', $read->document->sectionAt(0)->body->plainText());
        self::assertSame(
            ['The file is of another kind than its name says; it was read as what it is.'],
            $read->report->warnings(),
        );
    }

    private static function docx(string $body, string $before = ''): string
    {
        return self::zip([
            '[Content_Types].xml' => '<Types/>',
            'word/document.xml' =>
                $before .
                '<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>' .
                $body .
                '</w:body></w:document>',
        ]);
    }

    /** Not packed, so that a byte can be changed behind the back of the checksum. */
    private static function stored(string $body): string
    {
        $file = sys_get_temp_dir() . '/stemmata-zip-' . bin2hex(random_bytes(5));
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::CREATE);
        $zip->addFromString('[Content_Types].xml', '<Types/>');
        $zip->addFromString(
            'word/document.xml',
            '<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>' .
                $body .
                '</w:body></w:document>',
        );
        $zip->setCompressionName('word/document.xml', \ZipArchive::CM_STORE);
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }

    /** @param array<string, string> $parts */
    private static function zip(array $parts, ?string $password = null): string
    {
        $file = sys_get_temp_dir() . '/stemmata-zip-' . bin2hex(random_bytes(5));
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::CREATE);
        foreach ($parts as $name => $bytes) {
            $zip->addFromString($name, $bytes);
            $zip->setCompressionName($name, 'mimetype' === $name ? \ZipArchive::CM_STORE : \ZipArchive::CM_DEFLATE);
            if (null !== $password) {
                $zip->setEncryptionName($name, \ZipArchive::EM_AES_256, $password);
            }
        }
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }
}
