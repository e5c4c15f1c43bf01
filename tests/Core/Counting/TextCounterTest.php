<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Counting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\TextCounter;
use Stemmata\Core\Counting\TextCounts;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Tests\Support\Services;

/** Counts after UAX #29 (Unicode Text Segmentation). */
final class TextCounterTest extends TestCase
{
    /** The conformance tests that Unicode publishes with UAX #29, as Debian’s package unicode-data has them. */
    private const AUXILIARY = '/usr/share/unicode/auxiliary/';

    /** @return iterable<string, array{string, TextCounts}> */
    public static function texts(): iterable
    {
        yield 'nothing' => ['', new TextCounts()];
        yield 'blanks' => [" \n\n \u{a0}", new TextCounts()];
        yield 'two paragraphs' => ["The lamp was lit. It burned!\nWhy?", new TextCounts(7, 3, 2, 32, 27)];
        yield 'an abbreviation does not end a sentence before a small letter' => [
            'At 4 p.m. the glass fell.',
            new TextCounts(6, 1, 1, 25, 20),
        ];
        yield 'a question mark ends one even before a small letter (SB8)' => [
            '“Is it lit?” she asked.',
            new TextCounts(5, 2, 1, 23, 19),
        ];
        yield 'letters in several parts count once' => ["Cafe\u{301} 👩‍🚀", new TextCounts(1, 1, 1, 6, 5)];
        yield 'signs alone are no sentence' => ['* * *', new TextCounts(0, 0, 1, 5, 3)];
    }

    #[DataProvider('texts')]
    public function testCounts(string $text, TextCounts $counts): void
    {
        self::assertEquals($counts, (new TextCounter('en'))->ofText($text));
    }

    public function testGreekAndJapaneseSentences(): void
    {
        self::assertSame(2, (new TextCounter('ja'))->ofText('灯台が見えた。霧が出た。')->sentences);
        self::assertSame(
            2,
            (new TextCounter('el'))->ofText('Τι είναι; Είναι ο φάρος.')->sentences,
            'the Greek question mark',
        );
    }

    /** Each line of the files: parts of a text, with ÷ where it may be cut and × where not. */
    public function testTheConformanceTestsOfTheStandard(): void
    {
        $checked = ['Sentence' => 0, 'Word' => 0, 'Grapheme' => 0];
        foreach (array_keys($checked) as $kind) {
            foreach (self::lines($kind) as [$text, $parts]) {
                // CLDR, which ICU follows, lets a colon join letters in Swedish and Finnish only.
                if ('Word' === $kind && str_contains($text, ':')) {
                    continue;
                }
                self::assertSame($parts, self::cut($kind, $text), bin2hex($text));
                ++$checked[$kind];
            }
        }
        self::assertGreaterThan(500, $checked['Sentence']);
        self::assertGreaterThan(1400, $checked['Word']);
        self::assertGreaterThan(600, $checked['Grapheme']);
    }

    /** And our counts are those of the same parts. */
    public function testCountsAreThoseOfTheStandardsParts(): void
    {
        $counter = new TextCounter('und');
        $checked = 0;
        foreach (self::lines('Sentence') as [$text, $parts]) {
            if (1 === preg_match('/[\n\r\x{85}\x{2028}\x{2029}\v\f]/u', $text)) {
                continue;
            }
            $withWords = array_filter(
                $parts,
                static fn(string $part): bool => 1 === preg_match('/[\p{L}\p{N}]/u', $part),
            );
            self::assertSame(count($withWords), $counter->ofText($text)->sentences, bin2hex($text));
            ++$checked;
        }
        self::assertGreaterThan(300, $checked);
    }

    /** wc(1) of GNU coreutils counts words between blanks; in plain text without hyphens and numbers that is the same. */
    public function testWordsOfPlainTextAreThoseOfWc(): void
    {
        $text = (string) file_get_contents(__DIR__ . '/../../../demo/the-keepers-weather.md');
        $plain = trim((string) preg_replace('/[^A-Za-z\n]+/', ' ', $text));
        $file = (string) tempnam(sys_get_temp_dir(), 'words');
        file_put_contents($file, $plain);
        $counted = (int) shell_exec('wc -w < ' . escapeshellarg($file));
        unlink($file);

        self::assertGreaterThan(7000, $counted);
        self::assertSame($counted, (new TextCounter('en'))->ofText($plain)->words);
    }

    public function testASectionCountsWhatItsWordsAreCountedOf(): void
    {
        $document = Services::formats()->read(
            'x.md',
            "# One\n\nThe lamp[^a] was lit. It burned.\n\n- one item\n- another\n\n| a | b |\n|---|---|\n| c | d |\n\n[^a]: A note.\n",
        )->document;
        $counts = (new TextCounter('en'))->ofSection($document->sectionAt(0));

        self::assertSame((new WordCount())->ofBody($document->sectionAt(0)), $counts->words);
        self::assertSame(3, $counts->paragraphs, 'a paragraph and two items; cells are none');
    }

    /** @return iterable<array{string, list<string>}> */
    private static function lines(string $kind): iterable
    {
        foreach (file(self::AUXILIARY . $kind . 'BreakTest.txt') ?: [] as $line) {
            $line = trim(explode('#', $line)[0]);
            if ('' === $line) {
                continue;
            }
            $parts = [];
            foreach (preg_split('/\s*÷\s*/u', $line, -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
                $parts[] = implode(
                    '',
                    array_map(
                        static fn(string $code): string => mb_chr((int) hexdec($code)),
                        preg_split('/[\s×]+/u', $part, -1, \PREG_SPLIT_NO_EMPTY) ?: [],
                    ),
                );
            }
            yield [implode('', $parts), $parts];
        }
    }

    /** @return list<string> */
    private static function cut(string $kind, string $text): array
    {
        $boundaries = match ($kind) {
            'Sentence' => \IntlBreakIterator::createSentenceInstance('und'),
            'Word' => \IntlBreakIterator::createWordInstance('und'),
            default => \IntlBreakIterator::createCharacterInstance('und'),
        };
        self::assertNotNull($boundaries);
        $boundaries->setText($text);

        $parts = [];
        foreach ($boundaries->getPartsIterator() as $part) {
            assert(is_string($part));
            $parts[] = $part;
        }

        return $parts;
    }
}
