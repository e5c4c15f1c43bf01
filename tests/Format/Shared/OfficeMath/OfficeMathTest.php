<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Shared\OfficeMath;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Formula\MathMl;
use Stemmata\Format\Shared\OfficeMath\OfficeMathReader;
use Stemmata\Format\Shared\OfficeMath\OfficeMathWriter;
use Stemmata\Tests\Support\Recorded;

/** Formulas of office documents, part by part; the defaults of what is not said are those of ECMA-376-1, 22.1.2. */
final class OfficeMathTest extends TestCase
{
    /** Formulas that are read from what is written as they were. */
    private const KEPT = [
        '<mi>a</mi><mo>+</mo><mn>1.5</mn><mo>=</mo><mi>sin</mi><mi>x</mi>',
        '<mfrac><mi>a</mi><mi>b</mi></mfrac>',
        '<mfrac linethickness="0"><mi>n</mi><mi>k</mi></mfrac>',
        '<msqrt><mi>x</mi><mo>+</mo><mi>y</mi></msqrt>',
        '<mroot><mi>x</mi><mn>3</mn></mroot>',
        '<msub><mi>x</mi><mi>i</mi></msub>',
        '<msup><mi>x</mi><mn>2</mn></msup>',
        '<msubsup><mi>x</mi><mi>i</mi><mn>2</mn></msubsup>',
        '<munder><mi>lim</mi><mrow><mi>x</mi><mo>→</mo><mn>0</mn></mrow></munder>',
        '<mover><mi>x</mi><mi>d</mi></mover>',
        '<munderover><mi>M</mi><mn>1</mn><mn>2</mn></munderover>',
        '<munder><mi>x</mi><mo>_</mo></munder>',
        '<mover><mi>x</mi><mo>¯</mo></mover>',
        '<mover accent="true"><mi>x</mi><mo>^</mo></mover>',
        '<mover accent="true"><mi>x</mi><mo>→</mo></mover>',
        '<mover accent="true"><mi>x</mi><mo>˙</mo></mover>',
        '<munder><mrow><mi>a</mi><mo>+</mo><mi>b</mi></mrow><mo>⏟</mo></munder>',
        '<mover><mrow><mi>a</mi><mo>+</mo><mi>b</mi></mrow><mo>⏞</mo></mover>',
        '<munder><munder><mrow><mi>a</mi><mo>+</mo><mi>b</mi></mrow><mo>⏟</mo></munder><mi>n</mi></munder>',
        '<mrow><mo>(</mo><mi>a</mi><mo>)</mo></mrow>',
        '<mrow><mo>[</mo><mi>a</mi><mo>,</mo><mi>b</mi><mo>)</mo></mrow>',
        '<mrow><mo fence="true" form="prefix" stretchy="true">|</mo><mi>a</mi><mo fence="true" form="postfix" stretchy="true">|</mo></mrow>',
        '<menclose notation="box"><mi>a</mi><mi>b</mi></menclose>',
        '<mphantom><mi>a</mi><mi>b</mi></mphantom>',
        '<mmultiscripts><mi>C</mi><mprescripts></mprescripts><mn>6</mn><mn>14</mn></mmultiscripts>',
        '<munderover><mo>∑</mo><mi>i</mi><mi>n</mi></munderover><mi>i</mi><mo>+</mo><mn>1</mn>',
        '<munder><mo>⋃</mo><mi>i</mi></munder><mi>A</mi>',
        '<mover><mo>∏</mo><mi>i</mi></mover><mi>A</mi>',
        '<msubsup><mo>∫</mo><mn>0</mn><mn>1</mn></msubsup><mi>f</mi>',
        '<msub><mo>∫</mo><mn>0</mn></msub><mi>f</mi>',
        '<msup><mo>∫</mo><mn>0</mn></msup><mi>f</mi>',
        '<mo>∫</mo><mi>f</mi>',
        '<mo>∑</mo>',
        '<mi mathvariant="bold">x</mi><mi mathvariant="bold-italic">x</mi><mi mathvariant="double-struck">R</mi><mi mathvariant="script">L</mi><mi mathvariant="fraktur">g</mi><mi mathvariant="normal">d</mi>',
        '<mi mathvariant="bold-script">L</mi><mi mathvariant="bold-fraktur">g</mi><mi mathvariant="sans-serif">s</mi><mi mathvariant="monospace">m</mi><mi mathvariant="bold-sans-serif">s</mi>',
    ];
    /** Formulas for which the other language has one form only. */
    private const LEVELLED = [
        '<mtext>if so</mtext><ms>s</ms><mspace width="1em"></mspace><mi>y</mi>' =>
            '<mtext>if so</mtext><mtext>s</mtext><mspace width="0.3em"></mspace><mi>y</mi>',
        '<mfrac linethickness="0.0px"><mi>n</mi><mi>k</mi></mfrac>' =>
            '<mfrac linethickness="0"><mi>n</mi><mi>k</mi></mfrac>',
        '<mfrac linethickness="0.5px"><mi>n</mi><mi>k</mi></mfrac>' => '<mfrac><mi>n</mi><mi>k</mi></mfrac>',
        '<mfenced><mi>a</mi><mi>b</mi></mfenced>' =>
            '<mrow><mo>(</mo><mi>a</mi><mo separator="true">,</mo><mi>b</mi><mo>)</mo></mrow>',
        '<mfenced open="[" close=""><mi>a</mi></mfenced>' => '<mrow><mo>[</mo><mi>a</mi></mrow>',
        '<mrow><mo>{</mo><mtable><mtr><mtd><mi>a</mi></mtd><mtd><mi>b</mi></mtd></mtr><mtr><mtd><mi>c</mi></mtd><mtd><mi>d</mi></mtd></mtr></mtable><mo></mo></mrow>' =>
            '<mrow><mo>{</mo><mtable><mtr><mtd><mi>a</mi></mtd><mtd><mi>b</mi></mtd></mtr><mtr><mtd><mi>c</mi></mtd><mtd><mi>d</mi></mtd></mtr></mtable></mrow>',
        '<mrow><mo>-</mo><mi>a</mi><mo>)</mo></mrow>' => '<mo>-</mo><mi>a</mi><mo>)</mo>',
        '<mrow><mo>(</mo><mi>a</mi></mrow>' => '<mo>(</mo><mi>a</mi>',
        '<mmultiscripts><mi>C</mi><mn>1</mn><mn>2</mn><mprescripts></mprescripts><mn>6</mn><none></none></mmultiscripts>' =>
            '<mmultiscripts><msubsup><mi>C</mi><mn>1</mn><mn>2</mn></msubsup><mprescripts></mprescripts><mn>6</mn><mrow></mrow></mmultiscripts>',
        '<mmultiscripts><mi>C</mi><mn>1</mn><mn>2</mn></mmultiscripts>' =>
            '<msubsup><mi>C</mi><mn>1</mn><mn>2</mn></msubsup>',
        '<mn mathvariant="bold">12</mn><mo>&lt;</mo><mi>∞</mi><mo>∂</mo>' =>
            '<mn mathvariant="bold">12</mn><mo>&lt;</mo><mi>∞</mi><mi>∂</mi>',
        '<mstyle><mrow><mi>x</mi></mrow></mstyle><mrow></mrow>' => '<mi>x</mi>',
        '<mover><mrow><mrow><mo>∑</mo></mrow></mrow><mi>n</mi></mover><mi>x</mi>' =>
            '<mover><mo>∑</mo><mi>n</mi></mover><mi>x</mi>',
    ];
    private const NOTHING = '<mfrac><mrow></mrow><mrow></mrow></mfrac>';

    /** @return iterable<array{string, string}> */
    public static function formulas(): iterable
    {
        foreach (self::KEPT as $formula) {
            yield $formula => [$formula, $formula];
        }
        foreach (self::LEVELLED as $formula => $read) {
            yield $formula => [$formula, $read];
        }
    }

    #[DataProvider('formulas')]
    public function testIsReadFromWhatIsWritten(string $formula, string $read): void
    {
        $written = OfficeMathWriter::findWritten(self::math($formula)) ?? self::fail('Not written.');

        self::assertSame($read, self::read($written));
    }

    public function testIsWrittenAsItWasLookedAt(): void
    {
        Recorded::assertSame(
            __DIR__ . '/recorded-formulas.txt',
            array_map(
                static fn(string $formula): string => (string) OfficeMathWriter::findWritten(self::math($formula)),
                [...self::KEPT, ...array_keys(self::LEVELLED), self::NOTHING],
            ),
        );
    }

    /** @return iterable<string, array{string, string}> what programs write, and what it says */
    public static function written(): iterable
    {
        $run = static fn(string $letter): string => "<m:r><m:t>$letter</m:t></m:r>";
        $x = static fn(string $name, string $letter = 'x'): string => "<m:$name>{$run($letter)}</m:$name>";
        $said = static fn(string $name, string $value): string => sprintf('<m:%s m:val="%s"/>', $name, $value);

        yield 'an integral, when no sign is said' => [
            "<m:nary>{$x('sub', 'a')}{$x('sup', 'b')}{$x('e')}</m:nary>",
            '<msubsup><mo>∫</mo><mi>a</mi><mi>b</mi></msubsup><mi>x</mi>',
        ];
        yield 'a sum, its limits above and below' => [
            "<m:nary><m:naryPr>{$said('chr', '∑')}</m:naryPr>{$x('sub', 'a')}{$x('sup', 'b')}{$x('e')}</m:nary>",
            '<munderover><mo>∑</mo><mi>a</mi><mi>b</mi></munderover><mi>x</mi>',
        ];
        yield 'an integral, its limits above and below' => [
            "<m:nary><m:naryPr>{$said('limLoc', 'undOvr')}{$said('subHide', 'on')}</m:naryPr>{$x('sup', 'b')}</m:nary>",
            '<mover><mo>∫</mo><mi>b</mi></mover>',
        ];
        yield 'a hat, when no accent is said' => [
            "<m:acc>{$x('e')}</m:acc>",
            '<mover accent="true"><mi>x</mi><mo>^</mo></mover>',
        ];
        yield 'an accent of its own' => [
            "<m:acc><m:accPr>{$said('chr', '☆')}</m:accPr>{$x('e')}</m:acc>",
            '<mover accent="true"><mi>x</mi><mo>☆</mo></mover>',
        ];
        yield 'a bar, below when nothing is said' => [
            "<m:bar>{$x('e')}</m:bar>",
            '<munder><mi>x</mi><mo>_</mo></munder>',
        ];
        yield 'a brace, below when nothing is said' => [
            "<m:groupChr>{$x('e')}</m:groupChr>",
            '<munder><mi>x</mi><mo>⏟</mo></munder>',
        ];
        yield 'a brace above, when only that is said' => [
            "<m:groupChr><m:groupChrPr>{$said('pos', 'top')}</m:groupChrPr>{$x('e')}</m:groupChr>",
            '<mover><mi>x</mi><mo>⏞</mo></mover>',
        ];
        yield 'another sign above' => [
            "<m:groupChr><m:groupChrPr>{$said('chr', '→')}{$said('pos', 'top')}</m:groupChrPr>{$x('e')}</m:groupChr>",
            '<mover><mi>x</mi><mo>→</mo></mover>',
        ];
        yield 'parentheses and strokes, when no signs are said' => [
            "<m:d>{$x('e')}{$x('e', 'y')}</m:d>",
            '<mrow><mo>(</mo><mi>x</mi><mo separator="true">|</mo><mi>y</mi><mo>)</mo></mrow>',
        ];
        yield 'a root of no degree' => ["<m:rad>{$x('deg', '')}{$x('e')}</m:rad>", '<msqrt><mi>x</mi></msqrt>'];
        yield 'a root that hides its degree' => [
            "<m:rad><m:radPr><m:degHide/></m:radPr>{$x('deg', '3')}{$x('e')}</m:rad>",
            '<msqrt><mi>x</mi></msqrt>',
        ];
        yield 'a root that shows its degree' => [
            "<m:rad><m:radPr>{$said('degHide', 'off')}</m:radPr>{$x('deg', '3')}{$x('e')}</m:rad>",
            '<mroot><mi>x</mi><mn>3</mn></mroot>',
        ];
        yield 'a room that is shown' => ["<m:phant>{$x('e')}</m:phant>", '<mi>x</mi>'];
        yield 'a room that is not' => [
            "<m:phant><m:phantPr>{$said('show', 'off')}</m:phantPr>{$x('e')}</m:phant>",
            '<mphantom><mi>x</mi></mphantom>',
        ];
        yield 'a box' => ["<m:box><m:boxPr/>{$x('e')}</m:box>", '<mi>x</mi>'];
        yield 'a function' => [
            '<m:func><m:fName><m:r><m:rPr><m:sty m:val="p"/></m:rPr><m:t>sin</m:t></m:r></m:fName>' .
            $x('e') .
            '</m:func>',
            '<mrow><mi>sin</mi><mo>' . "\u{2061}" . '</mo><mi>x</mi></mrow>',
        ];
        yield 'lines under each other' => [
            '<m:eqArr><m:eqArrPr/><m:e><m:r><m:t>x&amp;=1</m:t></m:r></m:e>' . $x('e', 'y') . '</m:eqArr>',
            '<mtable><mtr><mtd><mi>x</mi><mo>=</mo><mn>1</mn></mtd></mtr><mtr><mtd><mi>y</mi></mtd></mtr></mtable>',
        ];
        yield 'a matrix with its settings' => [
            '<m:m><m:mPr><m:mcs/></m:mPr><m:mr>' . $x('e') . $x('e', 'y') . '</m:mr></m:m>',
            '<mtable><mtr><mtd><mi>x</mi></mtd><mtd><mi>y</mi></mtd></mtr></mtable>',
        ];
        yield 'what an editor put in, and took out' => [
            '<w:ins>' .
            $run('x') .
            '</w:ins><w:del>' .
            $run('y') .
            '</w:del><w:moveFrom>' .
            $run('z') .
            '</w:moveFrom>',
            '<mi>x</mi>',
        ];
        yield 'letters of an alphabet, in bold and upright' => [
            '<m:r><m:rPr><m:scr m:val="script"/><m:sty m:val="bi"/></m:rPr><m:t>L</m:t></m:r>' .
            '<m:r><m:rPr><m:scr m:val="double-struck"/><m:sty m:val="p"/></m:rPr><m:t>R</m:t></m:r>' .
            '<m:r><m:rPr><m:scr m:val="double-struck"/><m:sty m:val="b"/></m:rPr><m:t>N</m:t></m:r>' .
            '<m:r><m:rPr><m:scr m:val="roman"/><m:sty m:val="i"/></m:rPr><m:t>a</m:t></m:r>',
            '<mi mathvariant="bold-script">L</mi><mi mathvariant="double-struck">R</mi>' .
            '<mi mathvariant="double-struck">N</mi><mi>a</mi>',
        ];
        yield 'upright words and signs' => [
            '<m:r><m:rPr><m:sty m:val="p"/></m:rPr><m:t>max(a,12.5)</m:t></m:r>',
            '<mi>max</mi><mo>(</mo><mi mathvariant="normal">a</mi><mo>,</mo><mn>12.5</mn><mo>)</mo>',
        ];
        yield 'a blank among words' => [
            '<m:r><m:rPr><m:nor/></m:rPr><m:t> </m:t></m:r><m:r><m:rPr><m:nor/></m:rPr><m:t> if </m:t></m:r>',
            '<mspace width="0.3em"></mspace><mtext>if</mtext>',
        ];
        yield 'several texts in one run' => ['<m:r><m:t>1</m:t><w:lang/><m:t>2</m:t></m:r>', '<mn>12</mn>'];
    }

    #[DataProvider('written')]
    public function testReadsWhatProgramsWrite(string $written, string $read): void
    {
        self::assertSame($read, self::read('<m:oMath>' . $written . '</m:oMath>'));
    }

    public function testAFormulaOfNothingIsNone(): void
    {
        self::assertNull(OfficeMathReader::findMathMl(self::element('<m:oMath><m:r><m:t> </m:t></m:r></m:oMath>')));
        self::assertNull(OfficeMathWriter::findWritten('<p>x</p>'));
    }

    private static function math(string $content): string
    {
        return sprintf('<math xmlns="%s">%s</math>', MathMl::NAMESPACE, $content);
    }

    private static function read(string $written): string
    {
        return (string) preg_replace(
            '~\A<math [^>]*>|</math>\z~',
            '',
            (string) OfficeMathReader::findMathMl(self::element($written)),
        );
    }

    private static function element(string $written): \DOMElement
    {
        $document = new \DOMDocument();
        $document->loadXML('<w:p xmlns:w="urn:w" xmlns:m="urn:m">' . $written . '</w:p>');
        $formula = $document->documentElement?->firstElementChild;
        self::assertNotNull($formula);

        return $formula;
    }
}
