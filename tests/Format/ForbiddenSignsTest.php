<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/** Signs that XML 1.0 (2.2) does not allow go, from whichever file they come and however they are written there. */
final class ForbiddenSignsTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function signs(): iterable
    {
        foreach (
            ['U+FFFE' => "\u{FFFE}", 'U+FFFF' => "\u{FFFF}", 'U+0001' => "\x01", 'U+001F' => "\x1F"]
            as $name => $sign
        ) {
            yield $name => [$sign];
            yield $name . ' as a number' => ['&#x' . dechex(mb_ord($sign)) . ';'];
            yield $name . ' as a number in tens' => ['&#0' . mb_ord($sign) . ';'];
        }
    }

    #[DataProvider('signs')]
    public function testTheyAreDroppedAlike(string $sign): void
    {
        $words = 'lantern' . $sign . 'wick';
        $odt = Foreign::written(__DIR__ . '/Foreign/source.md', 'odt');
        $files = [
            'x.md' => "# A\n\n{$words}\n",
            'x.html' => "<h1>A</h1><p>{$words}</p>",
            'x.opml' => "<?xml version='1.0'?><opml version='2.0'><body><outline text='A' _note='{$words}'/></body></opml>",
            'x.docx' => Packed::docx("<w:p><w:r><w:t>{$words}</w:t></w:r></w:p>", ''),
            'x.odt' => self::withWords($odt, $words),
            'x.txt' => str_starts_with($sign, '&') ? 'lanternwick' : $words,
        ];
        foreach ($files as $name => $bytes) {
            $text = '';
            foreach (Services::formats()->read($name, $bytes)->document->sections() as $section) {
                $text .= $section->heading->plainText() . ' ' . $section->body->plainText();
            }
            self::assertStringContainsString('lanternwick', $text, $name);
        }
    }

    private static function withWords(string $odt, string $words): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'stemmata-test');
        file_put_contents($file, $odt);
        $archive = new \ZipArchive();
        $archive->open($file);
        $content = (string) $archive->getFromName('content.xml');
        $archive->addFromString(
            'content.xml',
            (string) preg_replace('~(<office:text[^>]*>)~', '$1<text:p>' . $words . '</text:p>', $content, 1),
        );
        $archive->close();
        $packed = (string) file_get_contents($file);
        unlink($file);

        return $packed;
    }
}
