<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Style;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Tests\Support\Services;

/** What a format cannot hold of the look is told, and nothing where it holds all. */
final class PassedOverTest extends TestCase
{
    public function testADocumentWithoutALookOfItsOwnLosesNothing(): void
    {
        foreach (['html', 'md', 'docx'] as $format) {
            self::assertSame([], self::told($format, Setup::plain()), $format);
        }
    }

    public function testALookIsNotInMarkdownAndThinLettersAreNotInOfficeFiles(): void
    {
        $setup = Setup::plain()->withSheet(
            StyleSheet::fromJson(['name' => 'Thin', 'kinds' => ['heading-2' => ['weight' => '300', 'size' => '20pt']]]),
        );

        self::assertSame([], self::told('html', $setup));
        self::assertStringContainsString('the style sheet is not in it', implode(' ', self::told('md', $setup)));
        self::assertStringContainsString('regular and bold letters only', implode(' ', self::told('docx', $setup)));
        $bold = StyleSheet::fromJson(['name' => 'Bold', 'kinds' => ['heading-2' => ['weight' => '700']]]);
        self::assertSame([], self::told('docx', Setup::plain()->withSheet($bold)));
    }

    public function testHeadersAndFootersAreOnPagesOnly(): void
    {
        $setup = Setup::plain()->withPages((new PageSetup())->changedBy(['header' => ['start' => ['A header']]]));

        foreach (['html', 'md', 'docx'] as $format) {
            self::assertStringContainsStringIgnoringCase('headers', implode(' ', self::told($format, $setup)), $format);
        }
    }

    /** @return list<string> */
    private static function told(string $format, Setup $setup): array
    {
        return Services::formats()
            ->writerFor($format)
            ->passesOver(Document::of(new TitleBlock('Tried'), [])->withSetup($setup));
    }
}
