<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Write\Docx;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/**
 * Every part of the files that we write, as they were looked at in other programs. After a change that is meant, look at
 * what differs, open the file, and take it over with ACCEPT=1.
 */
final class DocxPartsTest extends TestCase
{
    #[TestWith(['all-kinds.html'])]
    #[TestWith(['examples/chapters.txt'])]
    #[TestWith(['examples/office.html'])]
    public function testIsWrittenAsItWasLookedAt(string $source): void
    {
        $document = Services::formats()->readAsIs(
            basename($source),
            (string) file_get_contents(__DIR__ . '/../../' . $source),
        )->document;
        $withContents = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(1, 3, true, 'Contents'),
        ))->applyTo($document);
        self::assertInstanceOf(Applied::class, $withContents);
        $parts = self::parts(Services::formats()->written('docx', $withContents->document));
        $file = __DIR__ . '/parts/' . basename($source) . '.parts';
        if ('1' === getenv('ACCEPT')) {
            file_put_contents($file, $parts);
        }

        self::assertStringEqualsFile($file, $parts);
    }

    /** All parts in one text, an element a line; of pictures their sizes only. */
    private static function parts(string $bytes): string
    {
        $listing = '';
        foreach (Packed::parts($bytes) as $name => $part) {
            $listing .= '== ' . $name . "\n";
            $listing .= str_starts_with($name, 'word/media/')
                ? strlen($part) . " bytes\n"
                : str_replace('><', ">\n<", $part) . "\n";
        }

        return $listing;
    }
}
