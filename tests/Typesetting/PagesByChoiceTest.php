<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Typeset;
use Stemmata\Typesetting\Typesetter;

/** What a writer chose of pages, as poppler reads them. */
final class PagesByChoiceTest extends TestCase
{
    private const FRONT = "---\ntitle: The Log\n---\n\n# Preface {.unnumbered}\n\nBefore it all.\n\n";

    public function testAPageSaysTheLastNumberOfItsKindOrHowManyThereAre(): void
    {
        $document = self::document(self::FRONT . "# Lamps\n\nOil.\n\n# Gales\n\nWind.\n", [
            'chapters' => 'rightPage',
            'romanFront' => true,
            'footer' => [
                'start' => [['field' => 'page'], ' of ', ['field' => 'pages']],
                'end' => [['field' => 'sheets'], ' in all'],
            ],
        ]);
        [$texts, $typeset] = self::printed($document);
        $labels = $typeset->map->labels;

        self::assertSame(['', '', 'iii', '', '1', '', '3'], $labels);
        self::assertStringContainsString('iii of iii ', $texts[2]);
        self::assertStringContainsString('1 of 3 ', $texts[4]);
        self::assertStringContainsString('3 of 3 ', $texts[6]);
        foreach ([2, 4, 6] as $sheet) {
            self::assertStringContainsString('7 in all', $texts[$sheet]);
        }
        // Those left empty so that a chapter begins on the right bear nothing, and are called so.
        foreach ([1, 3, 5] as $sheet) {
            self::assertSame('', trim($texts[$sheet]));
        }
    }

    public function testContentsOnAPageOfTheirOwnKeepTheirHeadingWithThem(): void
    {
        $document = self::document("# Preface\n\nBefore it all.\n\n# What is in it\n\n# Lamps\n\nOil.\n", [
            'chapters' => 'newPage',
        ]);
        $made = (new GenerateContents(
            $document->outline->idAt(1),
            new ContentsSettings(1, 3, true, '', onOwnPage: true),
        ))->applyTo($document);
        self::assertInstanceOf(Applied::class, $made);
        [$texts] = self::printed($made->document);
        $pages = array_values(array_filter($texts, static fn(string $text): bool => '' !== trim($text)));
        $with = array_values(
            array_filter($pages, static fn(string $text): bool => str_contains($text, '2 What is in it')),
        );

        self::assertCount(1, $with);
        self::assertStringContainsString('. . .', $with[0]);
        self::assertStringNotContainsString('Before it all', $with[0]);
        self::assertStringNotContainsString('Oil.', $with[0]);
    }

    /** @param array<string, mixed> $setup */
    private static function document(string $markdown, array $setup): Document
    {
        $document = Services::formats()->read('a.md', $markdown)->document;

        return $document->withSetup($document->setup->withPages($document->setup->pages()->changedBy($setup)));
    }

    /** @return array{list<string>, Typeset} */
    private static function printed(Document $document): array
    {
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Tagged);

        return [PrintedPages::of($typeset->pdf)->texts('-layout'), $typeset];
    }
}
