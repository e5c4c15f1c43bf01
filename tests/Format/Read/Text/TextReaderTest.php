<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Text;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

final class TextReaderTest extends TestCase
{
    private const BODY = "Nobody wrote down why the lamp went out that night, but three of them\nwrote down when it did, and two of those agree.\n\n";

    public function testChaptersAreFoundByTheirLines(): void
    {
        $text =
            "The Lamp\n\nPART ONE\n\nChapter I\n\nThe Oil\n\n" .
            self::BODY .
            "Chapter II. The Men\n\n" .
            self::BODY .
            "PART TWO\n\nChapter III\n\n" .
            self::BODY;

        self::assertSame(
            ['0 ', '1 PART ONE/', '2 Chapter I/The Oil', '2 Chapter II/The Men', '1 PART TWO/', '2 Chapter III/'],
            self::outline($text),
        );
    }

    public function testContentsAtTheFrontAreNoChapters(): void
    {
        $text =
            "CONTENTS\n\nChapter 1. The Oil ........ 3\nChapter 2. The Men ........ 9\nChapter 3. Loss ........ 12\n\nChapter 1. The Oil\n\n" .
            self::BODY .
            "Chapter 2. The Men\n\n" .
            self::BODY .
            "Chapter 3. Loss\n\n" .
            self::BODY;

        self::assertSame(['1 Chapter 1/The Oil', '1 Chapter 2/The Men', '1 Chapter 3/Loss'], self::outline($text));
    }

    public function testNumberedLinesTellTheirLevels(): void
    {
        $text =
            "1. Scope\n\n" .
            self::BODY .
            "1.1 Sources\n\n" .
            self::BODY .
            "1.2 Terms\n\n" .
            self::BODY .
            "2. Method\n\n" .
            self::BODY;

        self::assertSame(['1 1/Scope', '2 1.1/Sources', '2 1.2/Terms', '1 2/Method'], self::outline($text));
    }

    public function testListsCodeAndTablesAreNoHeadings(): void
    {
        $text =
            "1. Scope\n\n" .
            self::BODY .
            "1. one\n\n2. two\n\n3. three\n\n" .
            self::BODY .
            "1.2   300   400\n1.3   310   420\n\n    2.1 indented();\n\nif (a < 1) {\n\n" .
            self::BODY .
            "2. Method\n\n" .
            self::BODY;

        self::assertSame(['1 1/Scope', '1 2/Method'], self::outline($text));
    }

    public function testUnderlinedLinesAreHeadingsWhateverTheySay(): void
    {
        $text =
            "The lamp\n========\n\n" .
            self::BODY .
            "of oil\n------\n\n" .
            self::BODY .
            "The men\n=======\n\n" .
            self::BODY;

        self::assertSame(['1 1/The lamp', '2 1.1/of oil', '1 2/The men'], self::outline($text));
    }

    public function testAFormFeedIsAPageBreak(): void
    {
        $read = Services::formats()->readAsIs('x.txt', "Chapter 1\n\n" . self::BODY . "\f" . self::BODY);
        $types = array_map(static fn(Node $block): string => $block->type, $read->document->sectionAt(0)->body->blocks);

        self::assertSame(['paragraph', 'pageBreak', 'paragraph'], $types);
    }

    public function testRunningHeadsAndPageNumbersAreLeftOut(): void
    {
        $pages = array_map(
            static fn(int $page): string => "THE LAMP\n\n" . self::BODY . self::BODY . "- {$page} -\n",
            range(1, 6),
        );
        $read = Services::formats()->readAsIs('x.txt', "Chapter 1\n\n" . implode("\f", $pages));

        self::assertStringNotContainsString(
            'THE LAMP',
            $read->document->sectionAt(0)->body->cut(8, 9_999_999)->plainText(),
        );
        self::assertStringNotContainsString('- 3 -', $read->document->sectionAt(0)->body->plainText());
        self::assertContains(
            '6 lines with page numbers were left out.',
            array_column($read->report->lines, 'sentence'),
        );
    }

    public function testParagraphsVerseListsAndSeparatorsKeepTheirKind(): void
    {
        $text =
            self::BODY .
            "The lamp is lit,\nthe lamp is out,\nthe keeper sleeps\nand dreams of stout.\n\n* * *\n\n- one\n- two\n  - inner\n\n1. first\n2. second\n\n" .
            self::BODY;
        $document = Services::formats()->readAsIs('x.txt', $text)->document;
        $blocks = $document->sectionAt(0)->body->blocks;

        self::assertSame(
            ['paragraph', 'paragraph', 'separator', 'bulletList', 'orderedList', 'paragraph'],
            array_column($blocks, 'type'),
        );
        self::assertSame(
            'Nobody wrote down why the lamp went out that night, but three of them wrote down when it did, and two of those agree.',
            $blocks[0]->plainText(),
        );
        self::assertSame(
            "The lamp is lit,\nthe lamp is out,\nthe keeper sleeps\nand dreams of stout.",
            $blocks[1]->plainText(),
        );
        self::assertSame("one\ntwo\ninner", $blocks[3]->plainText());
    }

    #[TestWith(["\xEF\xBB\xBF", 'UTF-8', false])]
    #[TestWith(["\xFF\xFE", 'UTF-16LE', false])]
    #[TestWith(["\xFE\xFF", 'UTF-16BE', false])]
    #[TestWith(['', 'UTF-8', false])]
    #[TestWith(['', 'Windows-1252', true])]
    public function testEncodingsAreToldApart(string $mark, string $encoding, bool $isGuessed): void
    {
        $read = Services::formats()->readAsIs(
            'x.txt',
            $mark . mb_convert_encoding("Café – “naïve”\n", $encoding, 'UTF-8'),
        );

        self::assertSame('Café – “naïve”', $read->document->sectionAt(0)->body->plainText());
        self::assertSame($isGuessed, [] !== $read->report->warnings());
    }

    public function testALineIsAParagraphInATextWithoutEmptyLines(): void
    {
        $line = str_repeat('Nobody wrote down why the lamp went out that night. ', 4);
        $document = Services::formats()->readAsIs('x.txt', "Chapter 1\n{$line}\n{$line}\nChapter 2\n{$line}\n")
            ->document;

        self::assertSame(['1 Chapter 1/', '1 Chapter 2/'], self::lines($document));
        self::assertCount(2, $document->sectionAt(0)->body->blocks);
    }

    /** @return list<string> level, number and heading of each section */
    private static function outline(string $text): array
    {
        return self::lines(Services::formats()->readAsIs('x.txt', $text)->document);
    }

    /** @return list<string> */
    private static function lines(Document $document): array
    {
        $numbers = $document->numbers();
        $lines = [];
        foreach ($document->headings() as $position => $heading) {
            $level = $document->outline->levelAt($position);
            $lines[] = $level->value . ' ' . ($level->isOpening() ? '' : $numbers[$position] . '/' . $heading);
        }

        return $lines;
    }
}
