<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Examples;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\Recorded;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\ShuffledFiles;

/** What the examples, variants of them and documents at random are written as has not changed unseen. */
final class RecordedWritingsTest extends TestCase
{
    private const VARIANTS = 3;
    private const AT_RANDOM = 40;

    public function testDocumentsAreWrittenAsBefore(): void
    {
        $lines = [];
        foreach (self::documents() as $name => $document) {
            $written = ['md' => [Services::formats()->written('md', $document)]];
            $written['html'] = [Services::formats()->written('html', $document)];
            $written['docx'] = Packed::parts(Services::formats()->written('docx', $document));
            foreach ($written as $ending => $parts) {
                $lines[] = implode(' ', [$name, $ending, ...array_map(Recorded::digest(...), array_values($parts))]);
            }
        }
        Recorded::assertSame(__DIR__ . '/recorded-writings.txt', $lines);
    }

    /** @return iterable<string, Document> */
    private static function documents(): iterable
    {
        yield 'all-kinds' => Services::formats()->read(
            'all.html',
            (string) file_get_contents(__DIR__ . '/all-kinds.html'),
        )->document;
        foreach (Examples::names() as $name) {
            for ($number = 1; $number <= self::VARIANTS; ++$number) {
                $bytes = (new ShuffledFiles(900 + $number))->variant($name, Examples::bytes($name));
                try {
                    yield "$name $number" => Services::formats()->read($name, $bytes)->document;
                } catch (FormatException) {
                    // Told by RecordedReadingsTest.
                }
            }
        }
        for ($seed = 1; $seed <= self::AT_RANDOM; ++$seed) {
            yield "at random $seed" => (new RandomDocuments(
                new Randomizer(new Mt19937($seed)),
                new CountingIds(),
            ))->document();
        }
    }
}
