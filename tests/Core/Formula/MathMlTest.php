<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Formula;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Formula\MathMl;

/** Elements and attributes are those of MathML Core (W3C). */
final class MathMlTest extends TestCase
{
    #[TestWith(['<mi>x</mi>', true])]
    #[TestWith(['<mfrac linethickness="0"><mi>n</mi><mi>k</mi></mfrac>', true])]
    #[TestWith(["\n <mrow> <mi>x</mi> </mrow>\n", true])]
    #[TestWith(['', true])]
    #[TestWith(['<script>x</script>', false])]
    #[TestWith(['<mrow><mi onclick="x">x</mi></mrow>', false])]
    #[TestWith(['<mi href="https://example.org">x</mi>', false])]
    #[TestWith(['<mrow><!-- x --></mrow>', false])]
    #[TestWith(['<mi>x', false])]
    #[TestWith(['<semantics><mi>x</mi></semantics>', false])]
    public function testSoundIsWhatSaysAFormulaAndNothingElse(string $content, bool $isSound): void
    {
        self::assertSame($isSound, MathMl::isSound(self::math($content)));
        self::assertSame($isSound, Formula::isSound(self::math($content)));
    }

    public function testItIsNotNestedWithoutEnd(): void
    {
        $deep = static fn(int $depth): string => self::math(
            str_repeat('<mrow>', $depth) . '<mi>x</mi>' . str_repeat('</mrow>', $depth),
        );

        self::assertTrue(MathMl::isSound($deep(79)));
        self::assertFalse(MathMl::isSound($deep(80)));
        $cleaned = self::cleaned(str_repeat('<mfrac><mi>a</mi>', 200) . str_repeat('</mfrac>', 200));
        self::assertTrue(MathMl::isSound((string) $cleaned));
        self::assertSame(str_repeat('a', 79), MathMl::words((string) $cleaned));
    }

    #[TestWith(['<mi>x</mi>', '<mi>x</mi>', 'as it is'])]
    #[TestWith(['<mrow><mrow><mi>x</mi></mrow></mrow>', '<mi>x</mi>', 'rows of one part'])]
    #[TestWith(['<mrow><mi>x</mi><mi>y</mi></mrow>', '<mrow><mi>x</mi><mi>y</mi></mrow>', 'a row of two'])]
    #[
        TestWith([
            '<mrow displaystyle="true"><mi>x</mi></mrow>',
            '<mrow displaystyle="true"><mi>x</mi></mrow>',
            'a row that says something',
        ]),
    ]
    #[TestWith(['<semantics><mi>x</mi><annotation>y</annotation></semantics>', '<mi>x</mi>', 'what is shown'])]
    #[TestWith(['<semantics></semantics><mi>z</mi>', '<mi>z</mi>', 'of nothing, nothing'])]
    #[
        TestWith([
            '<mi>x</mi><annotation-xml><mi>y</mi></annotation-xml><script>s()</script><style>a</style>',
            '<mi>x</mi>',
            'what is no part',
        ]),
    ]
    #[
        TestWith([
            '<maction><mi>x</mi><mi>y</mi></maction>',
            '<mrow><mi>x</mi><mi>y</mi></mrow>',
            'an element that is not known',
        ]),
    ]
    #[TestWith(['<math><mi>x</mi></math>', '<mi>x</mi>', 'a formula in a formula'])]
    #[TestWith(['<mi class="a" mathvariant="bold" style="color:red">x</mi>', '<mi mathvariant="bold">x</mi>', 'looks'])]
    #[TestWith(["<mi>\n a \t b </mi>", '<mi>a b</mi>', 'blanks'])]
    #[TestWith(["<mrow>\n<mi>x</mi>\n y <mi>z</mi></mrow>", '<mrow><mi>x</mi><mi>z</mi></mrow>', 'between elements'])]
    #[TestWith(['<mo>&lt;</mo><mtext>a &amp; "b"</mtext>', '<mo>&lt;</mo><mtext>a &amp; "b"</mtext>', 'signs'])]
    public function testIsCleanedToWhatItSays(string $content, string $cleaned, string $what): void
    {
        self::assertSame(self::math($cleaned), self::cleaned($content), $what);
        self::assertTrue(MathMl::isSound(self::math($cleaned)), $what);
    }

    #[TestWith([''])]
    #[TestWith(['<annotation>x</annotation>'])]
    #[TestWith(['<semantics></semantics>'])]
    public function testNothingIsLeftOfNothing(string $content): void
    {
        self::assertNull(self::cleaned($content));
    }

    public function testALongAttributeIsCut(): void
    {
        self::assertSame(
            self::math('<mspace width="' . str_repeat('1', 100) . '"></mspace>'),
            self::cleaned('<mspace width="' . str_repeat('1', 101) . '"/>'),
        );
    }

    #[TestWith(["<math><mi>a</mi> <mo>=</mo>\n<mn>2</mn></math>", 'a = 2'])]
    #[TestWith(['<p>x</p>', ''])]
    #[TestWith(['<!DOCTYPE math><math><mi>a</mi></math>', ''])]
    #[TestWith(['no markup', ''])]
    public function testItsSignsAreItsWords(string $source, string $words): void
    {
        self::assertSame($words, MathMl::words($source));
    }

    private static function cleaned(string $content): ?string
    {
        $root = MathMl::findRoot(self::math($content)) ?? self::fail('Not read.');

        return MathMl::cleaned($root);
    }

    private static function math(string $content): string
    {
        return sprintf('<math xmlns="%s">%s</math>', MathMl::NAMESPACE, $content);
    }
}
