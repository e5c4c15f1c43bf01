<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\TypedNumber;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\TypedNumber\TypedNumber;

/** What in the words of a heading is its number. Common practice, and the traps in it. */
final class TypedNumberTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, string, bool}> heading, its number as a scheme writes it,
     *     the words left, and whether it could as well be a word
     */
    public static function numbers(): iterable
    {
        yield 'parts' => ['2.1 Soils', '2.1', 'Soils', false];
        yield 'parts with a stop after the last' => ['2.1. Soils', '2.1', 'Soils', false];
        yield 'four parts' => ['10.2.3.14 Soils', '10.2.3.14', 'Soils', false];
        yield 'parts with hyphens' => ['2-1 Soils', '2-1', 'Soils', false];
        yield 'a letter and figures' => ['A.1 Forms', 'A.1', 'Forms', false];
        yield 'a letter and figures without a stop' => ['Appendix A12 Forms', 'Appendix A12', 'Forms', false];
        yield 'roman and figures' => ['IV.2 Forms', 'IV.2', 'Forms', false];
        yield 'a single figure' => ['3. Method', '3', 'Method', false];
        yield 'a bracket' => ['3) Method', '3', 'Method', false];
        yield 'two brackets' => ['(a) Scope', 'a', 'Scope', false];
        yield 'a colon' => ['3: Method', '3', 'Method', false];
        yield 'a dash' => ['3 – Method', '3', 'Method', false];
        yield 'a small roman one' => ['(iv) Scope', 'iv', 'Scope', false];
        yield 'a word before it' => ['Chapter 4', 'Chapter 4', '', false];
        yield 'a word, and the heading after a colon' => ['Chapter IV: The gale', 'Chapter IV', 'The gale', false];
        yield 'a word in capitals' => ['CHAPTER TWO THE GALE', 'CHAPTER TWO', 'THE GALE', false];
        yield 'a spelled number with a dash of its own' => [
            'Chapter Twenty-One: Home',
            'Chapter Twenty-One',
            'Home',
            false,
        ];
        yield 'an appendix' => ['Appendix B — Stations', 'Appendix B', 'Stations', false];
        yield 'a part of an appendix' => ['Appendix A.2 Forms', 'Appendix A.2', 'Forms', false];
        yield 'the sign of a section' => ['§ 12 Duties', '§ 12', 'Duties', false];
        yield 'another language' => ['Kapitel 3: Wetter', 'Kapitel 3', 'Wetter', false];
        yield 'a figure and a blank only' => ['3 days', '3', 'days', true];
        yield 'a letter and a blank only' => ['A lamp', 'A', 'lamp', true];
        yield 'I, which may be a word' => ['I remember', 'I', 'remember', true];
        yield 'a capital and a stop, which may be an initial' => ['A. Vance', 'A', 'Vance', true];
        yield 'a spelled number alone' => ['Three', 'Three', '', true];
    }

    #[DataProvider('numbers')]
    public function testIsFound(string $heading, string $label, string $rest, bool $isWeak): void
    {
        $found = TypedNumber::find($heading);

        self::assertNotNull($found);
        self::assertSame([$label, $rest, $isWeak], [$found->label(), $found->rest, $found->isWeak]);
        self::assertSame($rest, mb_substr($heading, $found->lead), 'the lead is as long as what goes');
    }

    /** @return iterable<string, array{string}> */
    public static function words(): iterable
    {
        yield 'no words at all' => [''];
        yield 'words' => ['The gale'];
        yield 'a year' => ['1866 and after'];
        yield 'a year with a stop' => ['1866. The gale'];
        yield 'a year and a month' => ['1866.2 The gale'];
        yield 'more than chapters are counted to' => ['1000. The gale'];
        yield 'a date' => ['1866-02 the gale'];
        yield 'initials' => ['A.B. Vance'];
        yield 'a country' => ['U.S. ports'];
        yield 'a word that begins like one' => ['Partition of the coast'];
        yield 'a chapter that is talked of' => ['Chapter xenon'];
        yield 'a part of speech' => ['Part and whole'];
        yield 'a number in the middle' => ['The 3rd keeper'];
        yield 'a letter of a glossary' => ['G'];
        yield 'a decimal in a word' => ['2.5mm glass'];
    }

    #[DataProvider('words')]
    public function testIsNotSeenInWords(string $heading): void
    {
        self::assertNull(TypedNumber::find($heading));
    }

    public function testAnAppendixIsKnownByItsWordInSeveralLanguages(): void
    {
        foreach (['Appendix B', 'ANNEX 2', 'Annexe A', 'Anhang C', 'Schedule 4'] as $heading) {
            self::assertTrue(TypedNumber::find($heading)?->isAppendix(), $heading);
        }
        self::assertFalse(TypedNumber::find('Chapter B')?->isAppendix());
    }

    public function testANumberPrintedByAProgramNeedsNoWordsAfterIt(): void
    {
        foreach (
            ['3.1' => '3.1', '3.1.' => '3.1', 'Chapter 3' => 'Chapter 3', '(a)' => 'a', "IV.\t" => 'IV', 'A' => 'A']
            as $printed => $label
        ) {
            $found = TypedNumber::findPrinted((string) $printed);
            self::assertSame([$label, false], [$found?->label(), $found?->isWeak]);
        }
        self::assertNull(TypedNumber::findPrinted('•'));
        self::assertSame('1', TypedNumber::find('2.1 Soils')?->own());
    }
}
