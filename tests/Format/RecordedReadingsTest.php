<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Tests\Support\Examples;
use Stemmata\Tests\Support\Reading;
use Stemmata\Tests\Support\Recorded;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\ShuffledFiles;

/** What variants of the examples are read as, and which lines of them look like headings, has not changed unseen. */
final class RecordedReadingsTest extends TestCase
{
    /** Variants of each example, by its ending: packages hold more than lines do. */
    private const VARIANTS = [
        'docx' => 60,
        'odt' => 90,
        'epub' => 60,
        'html' => 24,
        'txt' => 24,
        'md' => 40,
        'opml' => 30,
    ];

    /** @return iterable<string, array{string}> */
    public static function endings(): iterable
    {
        foreach (array_keys(self::VARIANTS) as $ending) {
            yield $ending => [$ending];
        }
    }

    #[DataProvider('endings')]
    public function testVariantsAreReadAsBefore(string $ending): void
    {
        $lines = [];
        foreach (Examples::names() as $name) {
            for ($number = 1; str_ends_with($name, $ending) && $number <= self::VARIANTS[$ending]; ++$number) {
                $bytes = (new ShuffledFiles($number))->variant($name, Examples::bytes($name));
                $lines[] = sprintf('%s %d %s', $name, $number, self::summary($name, $bytes));
            }
        }
        Recorded::assertSame(__DIR__ . '/recorded-readings-' . $ending . '.txt', $lines);
    }

    private static function summary(string $name, string $bytes): string
    {
        try {
            $asIs = Services::formats()->readAsIs($name, $bytes);
            $read = Services::formats()->read($name, $bytes);
        } catch (FormatException $refused) {
            return $refused->getMessage();
        }
        $document = $asIs->document;

        return sprintf(
            '%d sections %s %s %s',
            $document->outline->count(),
            Recorded::digest(Reading::of($asIs)),
            Recorded::digest(Reading::of($read)),
            Recorded::digest(LikelyHeadings::in($document)),
        );
    }
}
