<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Page\ChapterStart;
use Stemmata\Core\Page\Margins;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\Paper;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Style\TextKind;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Sources;
use Stemmata\Typesetting\Typesetter;

/** What a style sheet says is so on the pages, as poppler measures them: pdffonts, pdftotext and pdftocairo. */
final class SheetReachesPagesTest extends TestCase
{
    private const EPIGRAPH = ['label' => 'Epigraph', 'of' => 'paragraphs'];

    public function testLettersHaveTheirFaceSizeAndSpace(): void
    {
        $usual = self::pages([]);
        $set = self::pages([
            'body' => ['face' => 'EB Garamond', 'size' => '20pt', 'lineHeight' => '40pt'],
            'epigraph' => [...self::EPIGRAPH, 'capitals' => 'all'],
        ]);

        self::assertStringContainsString('EBGaramond', self::fonts($set));
        self::assertStringNotContainsString('EBGaramond', self::fonts($usual));
        [$small, $large] = [self::word($usual, 'paragraphs'), self::word($set, 'paragraphs')];
        self::assertGreaterThan(1.6, ($large[4] - $large[2]) / ($small[4] - $small[2]));
        self::assertEqualsWithDelta(40, self::pitch($set, 'follows'), 0.1);
        $width = static fn(string $pdf): float => self::word($pdf, 'Level')[3] - self::word($pdf, 'Level')[1];
        $spaced = self::pages(['heading-2' => ['letterSpacing' => '1pt']]);
        self::assertEqualsWithDelta(5, $width($spaced) - $width($usual), 1.1);
        self::assertNotNull(self::findWord($set, 'EPIGRAPH'));
        self::assertNull(self::findWord($usual, 'EPIGRAPH'));
    }

    public function testParagraphsHaveTheirPlace(): void
    {
        $usual = self::pages(['epigraph' => self::EPIGRAPH]);
        $set = self::pages([
            'body' => ['indentStart' => '50pt', 'firstLine' => '30pt'],
            'heading-2' => ['spaceBefore' => '120pt', 'alignment' => 'end'],
            'epigraph' => [...self::EPIGRAPH, 'alignment' => 'centred', 'spaceBefore' => '60pt'],
            'first-paragraph' => ['firstLine' => '-20pt', 'indentStart' => '10pt'],
        ]);

        // 14 points are the first line’s in the house style.
        self::assertEqualsWithDelta(
            50 + 30 - 14,
            self::word($set, 'follows')[1] - self::word($usual, 'follows')[1],
            // Blanks between justified words differ.
            2,
        );
        self::assertGreaterThan(90, self::word($set, 'Level')[2] - self::word($usual, 'Level')[2]);
        self::assertGreaterThan(60, self::word($set, 'Last')[1] - self::word($usual, 'Last')[1]);
        $hanging = self::word($set, 'paragraph')[2];
        $second = array_filter(
            array_merge(
                ...array_map(
                    static fn(array $page): array => in_array('paragraph', array_column($page['words'], 0), true)
                        ? $page['words']
                        : [],
                    PrintedPages::of($set)->boxes(),
                ),
            ),
            static fn(array $word): bool => $word[2] > $hanging + 5 && $word[2] < $hanging + 25,
        );
        // The first line stands at the indent, the others 20 points further in.
        self::assertEqualsWithDelta(
            self::word($set, 'The')[1] + 20,
            array_reduce($second, static fn(float $least, array $word): float => min($least, $word[1]), 1000.0),
            0.6,
        );
    }

    public function testColoursGroundsAndRulesArePainted(): void
    {
        $painted = self::svg(
            self::pages([
                'heading-2' => ['colour' => '#aa1166', 'ruleBelow' => '2pt #1f4e5f'],
                'epigraph' => [...self::EPIGRAPH, 'ground' => '#f3e8d8'],
                'ship' => ['label' => 'Ship', 'of' => 'words', 'colour' => '#004488', 'underline' => 'yes'],
            ]),
        );
        foreach (['#aa1166', '#1f4e5f', '#f3e8d8', '#004488'] as $colour) {
            self::assertTrue(self::hasColour($painted, $colour), $colour);
        }
        self::assertFalse(self::hasColour(self::svg(self::pages([])), '#aa1166'));
    }

    public function testAKindBeginsAPage(): void
    {
        self::assertFalse(self::begins(['epigraph' => self::EPIGRAPH], 'eight'));
        self::assertTrue(self::begins(['heading-8' => ['newPage' => 'yes']], 'eight'));
        self::assertFalse(self::begins(['epigraph' => self::EPIGRAPH], 'epigraph'));
        self::assertTrue(self::begins(['epigraph' => [...self::EPIGRAPH, 'newPage' => 'yes']], 'epigraph'));
    }

    /**
     * Each property of each kind, said alone, is to be seen on the pages. Not looked for are those that show only where a page
     * ends or a line is full, and levels beyond the third, which are made as the third is.
     */
    public function testNothingThatIsSaidOfAKindIsPassedOver(): void
    {
        $values = [
            'face' => 'EB Garamond',
            'size' => '17pt',
            'weight' => '800',
            'slant' => 'italic',
            'capitals' => 'all',
            'letterSpacing' => '2pt',
            'colour' => '#aa1166',
            'ground' => '#f3e8d8',
            'underline' => 'yes',
            'alignment' => 'end',
            'lineHeight' => '3',
            'spaceBefore' => '47pt',
            'spaceAfter' => '49pt',
            'firstLine' => '37pt',
            'indentStart' => '33pt',
            'indentEnd' => '61pt',
            'ruleAbove' => '3pt #aa1166',
            'ruleBelow' => '3pt #1f4e5f',
            'frame' => '2pt #334455',
            'newPage' => 'yes',
            'figures' => 'old-style',
        ];
        $own = ['epigraph' => self::EPIGRAPH, 'ship' => ['label' => 'Ship', 'of' => 'words']];
        $document = self::withContents(self::document());
        $base = StyleSheet::fromJson([
            'name' => 'Base',
            // No heading begins a page anyway, and what has two lines has them.
            'pages' => [
                ...(new PageSetup(
                    Paper::A4,
                    new Margins(5, 5, 75, 75),
                    hasTitlePage: false,
                    chapters: ChapterStart::Following,
                ))->toJson(),
                'header' => ['start' => ['A header of 1861']],
                'firstHeader' => ['start' => ['A header of 1861']],
            ],
            // A face that has numerals of both forms.
            'kinds' => ['body' => ['face' => 'EB Garamond', 'figures' => 'lining'], ...$own],
        ]);
        $looks = ['' => self::look($document, $base)];
        foreach ([...TextKind::names(), ...array_keys($own)] as $kind) {
            if (1 === preg_match('/-[4-9]\z/', $kind)) {
                continue;
            }
            foreach (StyleSheet::propertiesOf($kind, $base->definition($kind)) as $property) {
                $value = $values[$property->value] ?? null;
                $value = match (true) {
                    'face' === $property->value && 'code' !== $kind => 'Figtree',
                    'subtitle slant' === $kind . ' ' . $property->value => 'upright',
                    // The face of code has numerals of one form only.
                    'code figures' === $kind . ' ' . $property->value => null,
                    default => $value,
                };
                if (null !== $value) {
                    $looks[$kind . ' ' . $property->value] = self::look(
                        $document,
                        $base->shaped($kind, [$property->value => $value]),
                    );
                }
            }
        }
        $sources = new Sources($document->withSetup($document->setup->withSheet($base)));
        $sections = [];
        foreach ($document->outline->ids() as $position => $id) {
            $sections[$id->value] = [$sources->section($position)[0], []];
        }
        $passedOver = Foreign::run(
            ['node', __DIR__ . '/each-property.mjs'],
            json_encode(['main' => $sources->main(), 'sources' => $sections, 'looks' => $looks], \JSON_THROW_ON_ERROR),
        );

        self::assertGreaterThan(350, count($looks));
        self::assertSame([], json_decode($passedOver, true));
    }

    private static function look(Document $document, StyleSheet $sheet): string
    {
        return (new Sources($document->withSetup($document->setup->withSheet($sheet))))->look();
    }

    private static function withContents(Document $document): Document
    {
        $made = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(1, 3, true, 'Contents 1861 and more words'),
        ))->applyTo($document);
        self::assertInstanceOf(Applied::class, $made);

        return $made->document;
    }

    /** @param array<string, array<string, string>> $kinds */
    private static function begins(array $kinds, string $word): bool
    {
        foreach (PrintedPages::of(self::pages($kinds))->boxes() as $page) {
            // The header, and the number of a heading, stand before.
            if (in_array($word, array_slice(array_column($page['words'], 0), 0, 11), true)) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, array<string, string>> $kinds */
    private static function pages(array $kinds): string
    {
        $document = self::document();
        $sheet = StyleSheet::fromJson(['name' => 'Tried', 'kinds' => $kinds]);

        return (new Typesetter(new OneShotEngine()))->typeset(
            $document->withSetup($document->setup->withSheet($sheet)),
            'test',
            [],
            PdfStandard::Tagged,
        )->pdf;
    }

    private static function document(): Document
    {
        return Services::formats()->read(
            'kinds.html',
            (string) file_get_contents(dirname(__DIR__) . '/Format/Style/kinds.html'),
        )->document;
    }

    /** @return list<array{string, float, float, float, float}> */
    private static function words(string $pdf): array
    {
        return array_merge(...array_column(PrintedPages::of($pdf)->boxes(), 'words'));
    }

    /** @return array{string, float, float, float, float}|null */
    private static function findWord(string $pdf, string $word): ?array
    {
        return array_values(array_filter(self::words($pdf), static fn(array $each): bool => $each[0] === $word))[0] ??
            null;
    }

    /** @return array{string, float, float, float, float} */
    private static function word(string $pdf, string $word): array
    {
        return self::findWord($pdf, $word) ?? throw new \LogicException(sprintf('“%s” is not printed.', $word));
    }

    /** Points from the line of a word to the next on its page. */
    private static function pitch(string $pdf, string $word): float
    {
        foreach (PrintedPages::of($pdf)->boxes() as $page) {
            $lines = array_column(array_filter($page['words'], static fn(array $each): bool => $each[0] === $word), 4);
            $below = array_filter(
                array_column($page['words'], 4),
                static fn(float $bottom): bool => [] !== $lines && $bottom > $lines[0] + 10,
            );
            if ([] !== $lines && [] !== $below) {
                return min($below) - $lines[0];
            }
        }

        return 0.0;
    }

    private static function fonts(string $pdf): string
    {
        return Foreign::run(['pdffonts', self::file($pdf)]);
    }

    private static function svg(string $pdf): string
    {
        $file = self::file($pdf);
        $all = '';
        foreach (array_keys(PrintedPages::of($pdf)->texts()) as $sheet) {
            $all .= Foreign::run([
                'pdftocairo',
                '-svg',
                '-f',
                (string) ($sheet + 1),
                '-l',
                (string) ($sheet + 1),
                $file,
                '-',
            ]);
        }

        return $all;
    }

    private static function hasColour(string $svg, string $hex): bool
    {
        $parts = array_map(static fn(string $part): float => hexdec($part) / 2.55, str_split(ltrim($hex, '#'), 2));
        preg_match_all('/rgb\(([\d.]+)%, ?([\d.]+)%, ?([\d.]+)%\)/', $svg, $found, \PREG_SET_ORDER);
        foreach ($found as $each) {
            $far = array_sum(
                array_map(
                    static fn(float $part, string $share): float => abs($part - (float) $share),
                    $parts,
                    array_slice($each, 1),
                ),
            );
            if ($far < 0.5) {
                return true;
            }
        }

        return false;
    }

    private static function file(string $pdf): string
    {
        $file = tempnam(sys_get_temp_dir(), 'sheet') . '.pdf';
        file_put_contents($file, $pdf);

        return $file;
    }
}
