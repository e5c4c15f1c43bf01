<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Counting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\WordCount;

/**
 * Words after UAX #29 (Unicode Text Segmentation) as ICU implements it.
 */
final class WordCountTest extends TestCase
{
    /** @return iterable<string, array{string, int}> */
    public static function texts(): iterable
    {
        // The example of UAX #29, figure 1 (from memory): The | quick | brown | fox | can’t | jump | 32.3 | feet |
        // right.
        yield 'Latin, UAX #29 figure 1' => ['The quick (“brown”) fox can’t jump 32.3 feet, right?', 9];
        yield 'Cyrillic' => ['Лоцман, не спал!', 3];
        yield 'Greek, with an accent in two parts' => ["Καλημε\u{0301}ρα κόσμε", 2];
        yield 'Arabic' => ['مرحبا بالعالم', 2];
        yield 'Hebrew, with a quotation mark inside an abbreviation (WB7b)' => ['צה"ל כאן', 2];
        yield 'Devanagari' => ['नमस्ते दुनिया', 2];
        // Thai and Japanese have no blanks; ICU finds words by its dictionaries.
        yield 'Thai' => ['สวัสดีชาวโลก', 3];
        yield 'Japanese' => ['灯台の記録', 3];
        yield 'punctuation alone' => ['— … !? ❦', 0];
        yield 'an underscore joins (WB13a)' => ['watch_rule', 1];
    }

    #[DataProvider('texts')]
    public function testWords(string $text, int $words): void
    {
        self::assertSame($words, (new WordCount())->ofText($text));
    }
}
