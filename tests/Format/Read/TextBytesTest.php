<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Format\Read\TextBytes;
use Stemmata\Format\Shared\FormatException;

final class TextBytesTest extends TestCase
{
    /** The marks are those of Unicode (The Unicode Standard, 23.8). */
    #[TestWith(["\xEF\xBB\xBFé", 'é'])]
    #[TestWith(["\xFF\xFE\xE9\x00", 'é'])]
    #[TestWith(["\xFE\xFF\x00\xE9", 'é'])]
    #[TestWith(["\xFF\xFE\x00\x00\xE9\x00\x00\x00", 'é'])]
    #[TestWith(["\x00\x00\xFE\xFF\x00\x00\x00\xE9", 'é'])]
    #[TestWith(['é', null])]
    #[TestWith(["\xFE", null])]
    public function testAMarkAtTheBeginningTellsTheEncoding(string $bytes, ?string $text): void
    {
        self::assertSame($text, TextBytes::findMarked($bytes));
    }

    #[TestWith(["\xFF\xFE\xE9"])]
    #[TestWith(["\xFF\xFE\x00\xD8"])]
    public function testWhatIsMarkedAndIsNotSoIsNoText(string $bytes): void
    {
        $this->expectExceptionMessage('The file is not text; it may be of another kind than its name says.');
        TextBytes::findMarked($bytes);
    }

    /** Three stray control signs are borne with, or one in two hundred. */
    #[TestWith([3, 10, false])]
    #[TestWith([4, 10, true])]
    #[TestWith([4, 799, true])]
    #[TestWith([4, 800, false])]
    #[TestWith([5, 999, true])]
    #[TestWith([5, 1000, false])]
    public function testTextIsToldFromOtherThings(int $stray, int $length, bool $isBinary): void
    {
        self::assertSame(
            $isBinary,
            TextBytes::isBinary(str_repeat("\x01", $stray) . str_repeat('a', $length - $stray)),
        );
    }

    #[TestWith(["a\tb\nc\r\nd\f"])]
    #[TestWith(['äöü'])]
    public function testBlanksOfTextAreNone(string $text): void
    {
        self::assertFalse(TextBytes::isBinary(str_repeat($text, 50)));
    }

    public function testTheLineThatIsNotInUtf8IsTold(): void
    {
        self::assertSame("a\r\nb", TextBytes::utf8("a\r\nb"));
        self::assertSame("a\u{FFFD}b c\nd", TextBytes::utf8("a\0b\x0Bc\x0Cd"));
        try {
            TextBytes::utf8("one\ntwo\nth\xE9e\n");
            self::fail('It was read.');
        } catch (FormatException $refusal) {
            self::assertStringContainsString('line 3', $refusal->getMessage());
        }
        $this->expectExceptionMessage(FormatException::isEmpty()->getMessage());
        TextBytes::utf8(" \n\t");
    }
}
