<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Style;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Style\TextKind;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Services;

/**
 * Whatever a style sheet says of a kind of text is so in each file: as Chromium computes it of a web page, and as
 * python-docx reads it of an office file. Two values of each property, so that none is right by chance.
 */
final class SheetReachesFilesTest extends TestCase
{
    private const VALUES = [
        'face' => ['EB Garamond', 'Atkinson Hyperlegible'],
        'size' => ['13pt', '17.5pt'],
        'weight' => ['700', '300'],
        'slant' => ['italic', 'upright'],
        'capitals' => ['small', 'all'],
        'letterSpacing' => ['1pt', '2.5pt'],
        'colour' => ['#aa1166', '#1f4e5f'],
        'ground' => ['#f3e8d8', '#e0f0e0'],
        'underline' => ['yes', 'no'],
        'alignment' => ['end', 'justified'],
        'lineHeight' => ['1.8', '25pt'],
        'spaceBefore' => ['11pt', '21pt'],
        'spaceAfter' => ['7pt', '19pt'],
        'firstLine' => ['23pt', '-12pt'],
        'indentStart' => ['31pt', '9pt'],
        'indentEnd' => ['17pt', '5pt'],
        'ruleAbove' => ['1.5pt #aa1166', '0.75pt #1f4e5f'],
        'ruleBelow' => ['1.5pt #1f4e5f', '0.75pt #aa1166'],
        'frame' => ['none', '2pt #334455'],
        'keepWithNext' => ['yes', 'no'],
        'keepTogether' => ['yes', 'no'],
        'newPage' => ['yes', 'no'],
        'hyphenation' => ['yes', 'no'],
        'figures' => ['old-style', 'lining'],
    ];

    /** Where a web page has each kind. */
    private const ELEMENTS = [
        'heading-1' => 'h1',
        'heading-2' => 'h2',
        'heading-3' => 'h3',
        'heading-4' => 'h4',
        'heading-5' => 'h5',
        'heading-6' => 'h6',
        'heading-7' => '[aria-level="7"]',
        'heading-8' => '[aria-level="8"]',
        'heading-9' => '[aria-level="9"]',
        'first-paragraph' => 'h2 + p',
        'body' => 'h2 + p + p',
        'epigraph' => 'p.kind-epigraph',
        'ship' => 'span.kind-ship',
        'quotation' => 'blockquote',
        'list-item-1' => 'main > ul > li',
        'list-item-2' => 'main > ul > li > ul > li',
        'list-item-3' => 'main > ul > li > ul > li > ul > li',
        'caption' => 'caption',
        'table-head' => 'th',
        'table-cell' => 'td',
        'code' => 'pre',
        'footnote' => '[role=doc-endnotes]',
        'contents-title' => '.contents > p',
        'contents-line-1' => '.contents [data-level="1"]',
        'contents-line-2' => '.contents [data-level="2"]',
    ];

    /** The style that an office file has for each kind. */
    private const STYLES = [
        'title' => 'Title',
        'subtitle' => 'Subtitle',
        'title-line' => 'Author',
        'body' => 'Normal',
        'first-paragraph' => 'FirstParagraph',
        'epigraph' => 'Kind-epigraph',
        'ship' => 'Kind-ship',
        'quotation' => 'Quote',
        'list-item-1' => 'ListParagraph',
        'list-item-2' => 'ListParagraph2',
        'list-item-9' => 'ListParagraph9',
        'caption' => 'Caption',
        'table-head' => 'TableHeading',
        'table-cell' => 'TableText',
        'code' => 'SourceCode',
        'footnote' => 'FootnoteText',
        'formula' => 'Formula',
        'contents-title' => 'TOCHeading',
        'contents-line-1' => 'TOC1',
        'contents-line-9' => 'TOC9',
        'heading-1' => 'Heading1',
        'heading-2' => 'Heading2',
        'heading-9' => 'Heading9',
    ];

    /** @return iterable<string, array{int}> */
    public static function rounds(): iterable
    {
        yield 'one value' => [0];
        yield 'another' => [1];
    }

    #[DataProvider('rounds')]
    public function testAWebPageHasIt(int $round): void
    {
        $file = tempnam(sys_get_temp_dir(), 'sheet') . '.html';
        $document = self::document(self::sheet($round));
        file_put_contents($file, implode('', [...self::written('html', $document)]));
        $computed = json_decode(
            Foreign::run(['node', __DIR__ . '/computed-styles.mjs', $file, ...array_values(self::ELEMENTS)]),
            true,
        );
        self::assertIsArray($computed);

        foreach (self::ELEMENTS as $kind => $selector) {
            $style = $computed[$selector] ?? null;
            self::assertIsArray($style, $kind);
            foreach (self::said($document, $kind) as $property => $value) {
                self::assertComputed(
                    $style,
                    StyleProperty::from($property),
                    $value,
                    self::sizeOf($document, $kind),
                    $kind,
                );
            }
        }
    }

    #[DataProvider('rounds')]
    public function testAnOfficeFileHasIt(int $round): void
    {
        $file = tempnam(sys_get_temp_dir(), 'sheet') . '.docx';
        $document = self::document(self::sheet($round));
        file_put_contents($file, implode('', [...self::written('docx', $document)]));
        $styles = json_decode(
            Foreign::run(['/usr/bin/python3', __DIR__ . '/docx-styles.py', $file, ...array_values(self::STYLES)]),
            true,
        );
        self::assertIsArray($styles);

        foreach (self::STYLES as $kind => $id) {
            $style = $styles[$id] ?? null;
            self::assertIsArray($style, $kind);
            foreach (self::said($document, $kind) as $property => $value) {
                self::assertRead($style, StyleProperty::from($property), $value, self::sizeOf($document, $kind), $kind);
            }
        }
    }

    /** A sheet that says all that can be said of every kind. */
    private static function sheet(int $round): StyleSheet
    {
        $sheet = (new StyleSheet('Tried'))
            ->shaped('epigraph', ['label' => 'Epigraph', 'of' => 'paragraphs'])
            ->shaped('ship', ['label' => 'Ship’s name', 'of' => 'words']);
        foreach ([...TextKind::names(), 'epigraph', 'ship'] as $index => $kind) {
            $changes = [];
            foreach (StyleSheet::propertiesOf($kind, $sheet->definition($kind)) as $property) {
                // Neighbours differ, so that nothing is there only because what is around has it.
                $changes[$property->value] = self::VALUES[$property->value][($round + $index) % 2];
            }
            $sheet = $sheet->shaped($kind, $changes);
        }

        return $sheet;
    }

    /** @return array<string, string> */
    private static function said(Document $document, string $kind): array
    {
        return $document->setup->sheet()->definition($kind)->said;
    }

    private static function sizeOf(Document $document, string $kind): float
    {
        $style = $document->setup->style();

        return ($style->looks[$kind] ?? ($style->own[$kind] ?? $style->looks['body']))->size;
    }

    private static function document(StyleSheet $sheet): Document
    {
        $read = Services::formats()->read('kinds.html', (string) file_get_contents(__DIR__ . '/kinds.html'))->document;
        $made = (new GenerateContents($read->outline->idAt(0), new ContentsSettings(1, 3, true, 'Contents')))->applyTo(
            $read,
        );
        self::assertInstanceOf(Applied::class, $made);

        return $made->document->withSetup($made->document->setup->withSheet($sheet));
    }

    /** @return iterable<string> */
    private static function written(string $ending, Document $document): iterable
    {
        return Services::formats()->writerFor($ending)->write(Rendition::of($document));
    }

    /** @param array<mixed> $style */
    private static function assertComputed(
        array $style,
        StyleProperty $property,
        string $value,
        float $size,
        string $kind,
    ): void {
        $place = sprintf('%s of %s in a web page', $property->value, $kind);
        $text = static fn(string $name): string => is_string($style[$name] ?? null) ? $style[$name] : '';
        $same = static function (float $points, string $name) use ($text, $place): void {
            self::assertEqualsWithDelta(($points * 96) / 72, (float) $text($name), 0.15, $place);
        };
        $colour = static fn(string $hex): string => vsprintf(
            'rgb(%d, %d, %d)',
            array_map(hexdec(...), str_split(ltrim($hex, '#'), 2)),
        );
        $edge = static function (string $side) use ($value, $text, $colour, $place): void {
            if ('none' === $value) {
                return;
            }
            [$width, $hex] = explode(' ', $value);
            // A browser draws whole dots.
            self::assertSame(floor(((float) $width * 96) / 72), (float) $text("border-$side-width"), $place);
            self::assertSame($colour($hex), $text("border-$side-color"), $place);
        };
        match ($property) {
            StyleProperty::Face => self::assertStringContainsString($value, $text('font-family'), $place),
            StyleProperty::Size => $same((float) $value, 'font-size'),
            StyleProperty::Weight => self::assertSame($value, $text('font-weight'), $place),
            StyleProperty::Slant => self::assertSame(
                'italic' === $value ? 'italic' : 'normal',
                $text('font-style'),
                $place,
            ),
            StyleProperty::Capitals => self::assertSame(
                ['small' => ['small-caps', 'none'], 'all' => ['normal', 'uppercase']][$value],
                [$text('font-variant-caps'), $text('text-transform')],
                $place,
            ),
            StyleProperty::LetterSpacing => $same((float) $value, 'letter-spacing'),
            StyleProperty::Colour => self::assertSame($colour($value), $text('color'), $place),
            StyleProperty::Ground => self::assertSame($colour($value), $text('background-color'), $place),
            StyleProperty::Underline => self::assertSame(
                'yes' === $value ? 'underline' : 'none',
                $text('text-decoration-line'),
                $place,
            ),
            StyleProperty::Alignment => self::assertSame(
                ['end' => 'end', 'justified' => 'justify'][$value],
                $text('text-align'),
                $place,
            ),
            StyleProperty::LineHeight => $same(
                str_ends_with($value, 'pt') ? (float) $value : $size * (float) $value,
                'line-height',
            ),
            StyleProperty::SpaceBefore => $same((float) $value, 'margin-top'),
            StyleProperty::SpaceAfter => $same((float) $value, 'margin-bottom'),
            StyleProperty::FirstLine => $same((float) $value, 'text-indent'),
            StyleProperty::IndentStart => $same((float) $value, 'margin-left'),
            StyleProperty::IndentEnd => $same((float) $value, 'margin-right'),
            StyleProperty::RuleAbove => $edge('top'),
            StyleProperty::RuleBelow => $edge('bottom'),
            StyleProperty::Frame => $edge('left'),
            StyleProperty::KeepWithNext => self::assertSame(
                'yes' === $value ? 'avoid' : 'auto',
                $text('break-after'),
                $place,
            ),
            StyleProperty::KeepTogether => self::assertSame(
                'yes' === $value ? 'avoid' : 'auto',
                $text('break-inside'),
                $place,
            ),
            StyleProperty::NewPage => self::assertSame(
                'yes' === $value ? 'page' : 'auto',
                $text('break-before'),
                $place,
            ),
            StyleProperty::Hyphenation => self::assertSame(
                'yes' === $value ? 'auto' : 'manual',
                $text('hyphens'),
                $place,
            ),
            StyleProperty::Figures => self::assertSame(
                ['old-style' => 'oldstyle-nums', 'lining' => 'lining-nums'][$value],
                $text('font-variant-numeric'),
                $place,
            ),
        };
    }

    /** @param array<mixed> $style */
    private static function assertRead(
        array $style,
        StyleProperty $property,
        string $value,
        float $size,
        string $kind,
    ): void {
        $place = sprintf('%s of %s in an office file', $property->value, $kind);
        $edge = static function (string $side) use ($value, $style, $place): void {
            if ('none' === $value) {
                return;
            }
            [$width, $hex] = explode(' ', $value);
            self::assertSame([(string) (int) round((float) $width * 8), ltrim($hex, '#')], $style[$side], $place);
        };
        $isYes = 'yes' === $value;
        match ($property) {
            StyleProperty::Face => self::assertSame($value, $style['face'], $place),
            StyleProperty::Size => self::assertEqualsWithDelta((float) $value, $style['size'], 0.26, $place),
            StyleProperty::Weight => self::assertSame((int) $value >= 600, true === $style['bold'], $place),
            StyleProperty::Slant => self::assertSame('italic' === $value, true === $style['italic'], $place),
            StyleProperty::Capitals => self::assertSame(
                ['small' === $value, 'all' === $value],
                [true === $style['small'], true === $style['caps']],
                $place,
            ),
            StyleProperty::LetterSpacing => self::assertSame(
                (string) (int) ((float) $value * 20),
                $style['letterSpacing'],
                $place,
            ),
            StyleProperty::Colour => self::assertSame(ltrim($value, '#'), $style['colour'], $place),
            StyleProperty::Ground => self::assertSame(strtoupper(ltrim($value, '#')), $style['ground'], $place),
            StyleProperty::Underline => self::assertSame($isYes, $style['underline'], $place),
            StyleProperty::Alignment => self::assertSame(
                ['end' => 'end', 'justified' => 'both'][$value],
                $style['alignment'],
                $place,
            ),
            StyleProperty::LineHeight => self::assertSame(
                str_ends_with($value, 'pt')
                    ? [(string) ((int) $value * 20), 'exact']
                    : [(string) (int) round((240 * (float) $value) / 1.2), 'auto'],
                [$style['line'], $style['lineRule']],
                $place,
            ),
            StyleProperty::SpaceBefore => self::assertEqualsWithDelta((float) $value, $style['before'], 0.06, $place),
            StyleProperty::SpaceAfter => self::assertEqualsWithDelta((float) $value, $style['after'], 0.06, $place),
            StyleProperty::FirstLine => self::assertEqualsWithDelta((float) $value, $style['firstLine'], 0.06, $place),
            StyleProperty::IndentStart => self::assertEqualsWithDelta(
                (float) $value + (is_float($style['firstLine']) ? max(0, -$style['firstLine']) : 0),
                $style['left'],
                0.06,
                $place,
            ),
            StyleProperty::IndentEnd => self::assertEqualsWithDelta((float) $value, $style['right'], 0.06, $place),
            StyleProperty::RuleAbove => $edge('top'),
            StyleProperty::RuleBelow => $edge('bottom'),
            StyleProperty::Frame => $edge('side'),
            StyleProperty::KeepWithNext => self::assertSame($isYes, true === $style['keepNext'], $place),
            StyleProperty::KeepTogether => self::assertSame($isYes, true === $style['keepLines'], $place),
            StyleProperty::NewPage => self::assertSame($isYes, true === $style['newPage'], $place),
            StyleProperty::Hyphenation => self::assertSame(
                ['no' === $value, true],
                [$style['noHyphens'], $style['autoHyphens']],
                $place,
            ),
            StyleProperty::Figures => self::assertSame(
                ['old-style' => 'oldStyle', 'lining' => 'lining'][$value],
                $style['figures'],
                $place,
            ),
        };
    }
}
