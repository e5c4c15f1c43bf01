<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Style;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Page\ChapterStart;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\TextKind;
use Stemmata\Format\Shared\HouseCss;
use Stemmata\Format\Write\Docx\LookOf;

final class HouseStylesTest extends TestCase
{
    public function testEachHasALookForEveryKindOfText(): void
    {
        $names = [];
        foreach (HouseStyles::all() as $style) {
            $names[] = $style->name;
            self::assertEquals($style, HouseStyles::find(strtoupper($style->name)));
            foreach (TextKind::cases() as $kind) {
                for ($level = 1; $level <= ($kind->hasLevels() ? 9 : 1); ++$level) {
                    self::assertGreaterThan(5, $style->of($kind, $level)->size);
                    self::assertGreaterThanOrEqual(1, $style->of($kind, $level)->lineHeight);
                }
            }
            // A deeper heading is never larger.
            for ($level = 2; $level <= 9; ++$level) {
                self::assertLessThanOrEqual(
                    $style->of(TextKind::Heading, $level - 1)->size,
                    $style->of(TextKind::Heading, $level)->size,
                );
            }
        }
        self::assertSame(['reading', 'academic', 'report', 'policy', 'submission', 'large-print'], $names);
        self::assertNull(HouseStyles::find('none'));
    }

    /** Common practice for theses: double-spaced, first lines indented 0.5 inch, chapters on a new page. */
    public function testTheAcademicOneIsAsThesesAreAskedFor(): void
    {
        $style = HouseStyles::find('academic');
        self::assertNotNull($style);
        $body = $style->of(TextKind::Body);
        self::assertSame(
            [12.0, 2.0, 36.0, 36.0],
            [$body->size, $body->lineHeight, $body->firstLine, $style->of(TextKind::FirstParagraph)->firstLine],
        );
        $quotation = $style->of(TextKind::Quotation);
        self::assertLessThan(1.3, $quotation->lineHeight);
        self::assertSame(36.0, $quotation->indentStart);
        self::assertSame(ChapterStart::NewPage, $style->pages->chapters);
        self::assertSame(25.4, $style->pages->margins->inner);
    }

    public function testOneDefinitionMakesTheRulesOfWebPagesAndOfOfficeFiles(): void
    {
        $style = HouseStyles::find('academic');
        self::assertNotNull($style);
        $css = HouseCss::of($style);
        self::assertStringContainsString('body{font-family:"STIX Two Text",serif;line-height:2}', $css);
        self::assertStringContainsString('main>p{text-indent:3em}', $css);
        self::assertStringContainsString(
            'blockquote{line-height:1.2;font-weight:400;font-style:normal;text-align:start;margin:0.833em 0 1.167em 3em}',
            $css,
        );
        self::assertSame(
            '<w:spacing w:before="0" w:after="0" w:line="400" w:lineRule="auto"/><w:ind w:left="0" w:right="0" w:firstLine="720"/><w:jc w:val="start"/>',
            LookOf::paragraph($style->of(TextKind::Body)),
        );
        self::assertStringContainsString('<w:b/><w:sz w:val="36"/>', LookOf::run($style->of(TextKind::Heading, 1)));
    }
}
