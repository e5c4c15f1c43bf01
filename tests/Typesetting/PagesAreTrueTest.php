<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Spot;
use Stemmata\Typesetting\Typesetter;

/** The pages that we say beside the pages on which poppler and qpdf find each heading. */
final class PagesAreTrueTest extends TestCase
{
    private const DEBIAN = '/usr/share/doc/debian-policy/fhs/fhs-3.0.html';
    private const DEVELOPERS = '/usr/share/developers-reference/developers-reference.epub';

    /** @return iterable<string, array{string, string}> */
    public static function documents(): iterable
    {
        $demo = dirname(__DIR__, 2) . '/demo/the-keepers-weather.md';
        yield 'the demo as a book' => [$demo, 'reading'];
        yield 'the demo as a thesis' => [$demo, 'academic'];
        yield 'a standard of Debian’s package debian-policy' => [self::DEBIAN, 'report'];
        yield 'the book of Debian’s package developers-reference' => [self::DEVELOPERS, 'reading'];
    }

    /** @return iterable<string, array{string}> */
    public static function levels(): iterable
    {
        yield 'a chapter, which begins a page itself' => ['h1'];
        yield 'a section' => ['h2'];
    }

    /** A heading alone at the foot of a page, with its table on the next one, would be a fault (common practice). */
    #[DataProvider('levels')]
    public function testAHeadingGoesWithTheLandscapeTableUnderIt(string $level): void
    {
        $document = Services::formats()->read(
            'x.html',
            "<h1>Coast</h1><p>Some words.</p><{$level}>Readings</{$level}><table style=\"page: landscape\">" .
                '<caption>Lamps</caption><tr><td>Thole</td></tr></table><h2>After</h2><p>The end.</p>',
        )->document;
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'x', standard: PdfStandard::Tagged);
        $pages = PrintedPages::of($typeset->pdf)->texts();
        $at = static fn(string $words): array => array_keys(
            array_filter($pages, static fn(string $page): bool => str_contains($page, $words)),
        );
        $coast = $at('Some words.');

        self::assertCount(1, $coast);
        self::assertSame([$coast[0] + 1], $at('Thole'), 'no page is empty');
        self::assertStringContainsString('Readings', $pages[$coast[0] + 1]);
        self::assertStringNotContainsString('Readings', $pages[$coast[0]]);
        self::assertSame([$coast[0] + 2], $at('The end.'));
        self::assertSame([], $typeset->findings);
    }

    #[DataProvider('documents')]
    public function testContentsAndOutlineNameThePageOfEachHeading(string $path, string $style): void
    {
        $document = self::withContents($path, $style);
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Tagged);
        $pages = PrintedPages::of($typeset->pdf);
        $texts = $pages->texts('-layout');
        $lines = self::contentsLines($texts, $document->titleBlock->title);
        $headings = self::headings($document, 3);

        self::assertSame([], $typeset->findings);
        self::assertCount($typeset->map->pages(), $texts);
        self::assertGreaterThan(60, count($headings));
        self::assertSame(
            array_map(self::withoutDots(...), array_column($headings, 1)),
            array_map(self::withoutDots(...), array_column($lines, 0)),
        );
        foreach ($lines as $index => [$words, $label]) {
            $sheet = $typeset->map->sections[$headings[$index][2]]->sheet;
            self::assertSame($label, $typeset->map->labels[$sheet - 1], $words);
            self::assertSame($label, self::printedNumber($texts[$sheet - 1]), $words);
            self::assertStringContainsString(
                PrintedPages::bare($words),
                PrintedPages::bare($texts[$sheet - 1]),
                'on page ' . $label,
            );
        }
        // Each line has two rectangles, its words and its number; both lead to the page that it names. On the last of their
        // sheets contents may be followed by text, which has links of its own.
        $last = max([0, ...array_map(static fn(Spot $spot): int => $spot->sheet, array_values($typeset->map->lines))]);
        $led = array_merge(...array_slice($pages->links(), 0, $last));
        $named = array_map(static fn(array $heading): int => $typeset->map->sections[$heading[2]]->sheet, $headings);
        self::assertSame([], array_values(array_diff($named, $led)));
        $alone = array_merge(...array_slice($pages->links(), 0, $last - 1));
        self::assertSame([], array_values(array_diff($alone, $named)));
        $outline = self::headings($document, 9);
        self::assertSame(
            array_map(static fn(array $heading): string => PrintedPages::bare($heading[1]), $outline),
            array_map(static fn(array $line): string => PrintedPages::bare($line[1]), $pages->outline()),
        );
        foreach ($pages->outline() as $index => [, $words, $sheet]) {
            self::assertSame($typeset->map->sections[$outline[$index][2]]->sheet, $sheet, $words);
        }
        foreach ($pages->faces() as [$face, $isEmbedded]) {
            self::assertTrue($isEmbedded, $face);
        }
    }

    /** As poppler reads the tags: dots between a line of contents and its page are drawn, and no words. */
    public function testDotsOfContentsAreNotSpoken(): void
    {
        $typeset = (new Typesetter(new OneShotEngine()))->typeset(self::demo(), 'test', [], PdfStandard::Tagged);
        $words = PrintedPages::of($typeset->pdf)->taggedText();

        self::assertStringContainsString('"The coast and its lights"', $words);
        self::assertDoesNotMatchRegularExpression('/(?:^ *"[. ]+"\n){2}/m', $words);
    }

    /** As ISO 32000 tags them (14.8.4.3.2): one of contents, an item for each line; in two columns as well. */
    #[TestWith([false])]
    #[TestWith([true])]
    public function testContentsAreTaggedAsSuch(bool $twoColumns): void
    {
        $document = self::withoutContents(self::demo());
        $made = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(1, 2, true, 'What is in it', twoColumns: $twoColumns),
        ))->applyTo(self::withoutSkippedLevels($document));
        self::assertInstanceOf(Applied::class, $made);
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($made->document, 'test', [], PdfStandard::Accessible);
        $tags = PrintedPages::of($typeset->pdf)->taggedText();

        self::assertNull($typeset->refused);
        self::assertSame(count($typeset->map->lines), preg_match_all('/^ *TOCI\b/m', $tags));
        self::assertMatchesRegularExpression('/TOCI[^T]*"The coast and its lights"/', $tags);
    }

    /** What ISO 19005-2 asks a file to say of itself (6.6.4), that each face is within it (6.2.11.4), and that it has a date. */
    #[DataProvider('documents')]
    public function testAFileForAnArchiveIsOne(string $path, string $style): void
    {
        $typeset = (new Typesetter(new OneShotEngine()))->typeset(
            self::withContents($path, $style),
            'test',
            [],
            PdfStandard::Archive,
        );

        self::assertNull($typeset->refused);
        self::assertSame(PdfStandard::Archive, $typeset->standard);
        self::assertStringContainsString('<pdfaid:part>2</pdfaid:part>', $typeset->pdf);
        self::assertStringContainsString('<pdfaid:conformance>U</pdfaid:conformance>', $typeset->pdf);
        self::assertMatchesRegularExpression('~<xmp:CreateDate>\d{4}-\d\d-\d\dT~', $typeset->pdf);
        foreach (PrintedPages::of($typeset->pdf)->faces() as [$face, $isEmbedded]) {
            self::assertTrue($isEmbedded, $face);
        }
    }

    public function testTheDemoIsAccessibleButForALevelThatItSkips(): void
    {
        $engine = new OneShotEngine();
        $document = self::withContents(dirname(__DIR__, 2) . '/demo/the-keepers-weather.md', 'reading');
        $typeset = (new Typesetter($engine))->typeset($document, 'test', [], PdfStandard::Accessible);

        // The demo skips a level on purpose; the check reports it, and the file says so.
        self::assertSame(PdfStandard::Tagged, $typeset->standard);
        self::assertStringContainsString('heading', (string) $typeset->refused);

        $document = self::withoutSkippedLevels($document);
        $typeset = (new Typesetter($engine))->typeset($document, 'test', [], PdfStandard::Accessible);
        self::assertNull($typeset->refused);
        self::assertSame(PdfStandard::Accessible, $typeset->standard);
        self::assertSame(
            array_column(self::headings($document, 9), 0),
            PrintedPages::of($typeset->pdf)->headingLevels(),
        );
    }

    /** The demo brings lists of its pictures and tables, and a reference that says a page. */
    #[TestWith(['reading'])]
    #[TestWith(['academic'])]
    #[TestWith(['report'])]
    public function testListsOfIllustrationsAndReferencesNameTheirPages(string $style): void
    {
        $chosen = HouseStyles::find($style);
        self::assertNotNull($chosen);
        $document = self::demo();
        $document = $document->withSetup($document->setup->withStyle($chosen));
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'test', [], PdfStandard::Tagged);
        $texts = PrintedPages::of($typeset->pdf)->texts('-layout');
        $begin = $typeset->map->sections[$document->outline->idAt(1)->value]->sheet;
        $end = $typeset->map->sections[$document->outline->idAt(2)->value]->sheet;
        $lists = PrintedPages::bare(implode('', array_slice($texts, $begin - 1, 1 + $end - $begin)));

        $captions = self::captions($document);
        self::assertGreaterThanOrEqual(4, count($captions));
        foreach ($captions as $place => $words) {
            preg_match('/' . preg_quote($words, '/') . '\.+([ivxlc]+|\d+)/u', $lists, $line);
            $sheet = $typeset->map->captions[$place]->sheet;
            self::assertStringContainsString($words, PrintedPages::bare($texts[$sheet - 1]));
            self::assertSame($line[1] ?? 'not listed', self::printedNumber($texts[$sheet - 1]), $words);
        }
        [$from, $target] = self::pageReference($document);
        $there = $typeset->map->bookmarks[$target] ?? $typeset->map->sections[$target];
        self::assertStringContainsString(
            PrintedPages::bare('page ' . $there->label),
            PrintedPages::bare(implode('', array_slice($texts, $typeset->map->sections[$from]->sheet - 1, 3))),
        );
        self::assertSame($there->label, self::printedNumber($texts[$there->sheet - 1]));
    }

    /** A table that comes before a picture shifts the count in its section; a list that is not refreshed has the right page. */
    public function testAListThatIsBehindItsDocumentNamesTheRightPages(): void
    {
        $figure =
            '<figure><img src="data:image/png;base64,' .
            base64_encode(Packed::PNG) .
            '" alt=""><figcaption>A lamp by night</figcaption></figure>';
        $document = Services::formats()->read(
            'a.html',
            '<p>Before.</p><h1>Lamps</h1>' .
                str_repeat('<p>' . str_repeat('Of lamps and oil. ', 60) . '</p>', 20) .
                $figure,
        )->document;
        $made = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(1, 9, true, 'Pictures', of: ContentsOf::Figures),
        ))->applyTo($document);
        self::assertInstanceOf(Applied::class, $made);
        $table = Services::formats()->read('a.html', '<table><caption>Oil</caption><tr><td>1</td></tr></table>')
            ->document;
        $section = $made->document->sectionAt(1);
        $behind = $made->document->withSection(
            $section->withBody(Body::of([...$table->sectionAt(0)->body->blocks, ...$section->body->blocks])),
        );
        $typesetter = new Typesetter(new OneShotEngine());
        $revisions = [$behind->outline->idAt(0)->value => 1, $section->id->value => 1];
        $typesetter->typeset($made->document, 'kept', $revisions, staysWarm: true);
        $typeset = $typesetter->typeset(
            $behind,
            'kept',
            [...$revisions, $section->id->value => 2],
            PdfStandard::Tagged,
            true,
        );
        $texts = PrintedPages::of($typeset->pdf)->texts('-layout');

        $picture = $typeset->map->captions[$section->id->value . ':1'];
        self::assertSame('1', $typeset->map->captions[$section->id->value . ':0']->label);
        self::assertGreaterThan(5, (int) $picture->label);
        self::assertStringContainsString('A lamp by night', $texts[$picture->sheet - 1]);
        self::assertSame($picture->label, self::printedNumber($texts[$picture->sheet - 1]));
        self::assertMatchesRegularExpression(
            '/A lamp by night[ .]+ ' . $picture->label . '\n/',
            implode('', array_slice($texts, 0, $picture->sheet - 1)),
        );
    }

    /** @return array<string, string> what stands at each picture and table that has a caption, without blanks, by its place */
    private static function captions(Document $document): array
    {
        $labels = CaptionNumbers::of($document)->labels;
        $captions = [];
        foreach ($document->references() as $position => $references) {
            $section = $document->outline->idAt($position)->value;
            foreach ($references->captions as $index => $caption) {
                if ('' !== $caption->words) {
                    $captions[$section . ':' . $index] = PrintedPages::bare(
                        ($labels[$section][$index] ?? '') . '. ' . $caption->words,
                    );
                }
            }
        }

        return $captions;
    }

    /** @return array{string, string} the section with a reference that says a page, and the id of what it refers to */
    private static function pageReference(Document $document): array
    {
        foreach ($document->sections() as $section) {
            foreach ($section->body->walk() as $node) {
                if ('crossReference' === $node->type && 'page' === $node->textAttribute('shows')) {
                    return [$section->id->value, (string) LinkTarget::findInnerId($node->textAttribute('href'))];
                }
            }
        }
        self::fail('There is no such reference.');
    }

    private static function demo(): Document
    {
        $path = dirname(__DIR__, 2) . '/demo/the-keepers-weather.md';

        return Services::formats()->read('demo.md', (string) file_get_contents($path))->document;
    }

    private static function withContents(string $path, string $style): Document
    {
        $bytes = (string) file_get_contents($path);
        if (str_ends_with($path, '.md')) {
            // The demo has contents of its own, which are looked at elsewhere.
            $bytes = (string) preg_replace('/^# Contents .*?(?=^# Preface)/ms', '', $bytes);
        }
        $document = self::withoutContents(Services::formats()->read(basename($path), $bytes)->document);
        $chosen = HouseStyles::find($style);
        self::assertNotNull($chosen);
        $document = $document->withSetup($document->setup->withStyle($chosen));
        if (!$document->outline->hasOpening()) {
            $opening = Section::blank(SectionId::fromString('o00000000000'));
            $document = $document
                ->withSection($opening)
                ->withOutline(Outline::of($opening->id, Level::Opening)->followedBy($document->outline));
        }
        $made = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(
                1,
                3,
                true,
                'What is in it',
                // The links of the contents are told by their pages, which they must not share with the text.
                looks: 'report' === $style ? [] : [1 => LineLook::Strong, 2 => LineLook::Italic, 3 => LineLook::Small],
            ),
        ))->applyTo($document);
        self::assertInstanceOf(Applied::class, $made);

        return $made->document;
    }

    /** Contents that a book brings are made anew here. */
    private static function withoutContents(Document $document): Document
    {
        foreach ($document->contentsHolders() as $id) {
            $section = $document->section($id);
            $blocks = array_filter($section->body->blocks, static fn(Node $block): bool => 'contents' !== $block->type);
            $document = $document->withSection($section->withBody(Body::of(array_values($blocks))));
        }

        return $document;
    }

    private static function withoutSkippedLevels(Document $document): Document
    {
        $outline = $document->outline;
        $last = 0;
        $levels = '';
        foreach (array_keys($outline->ids()) as $position) {
            $last = min($outline->levelAt($position)->value, $last + 1);
            $levels .= $last;
        }

        return $document->withOutline(Outline::packed($outline->ids, $levels, $outline->flags));
    }

    /** @return list<array{int, string, string}> level, number and words, id */
    private static function headings(Document $document, int $deepest): array
    {
        $numbers = $document->numbers();
        $headings = [];
        foreach ($document->headings() as $position => $heading) {
            $level = $document->outline->levelAt($position)->value;
            if ($level > 0 && $level <= $deepest && '' !== trim($heading . $numbers[$position])) {
                $headings[] = [
                    $level,
                    $numbers[$position] . ' ' . $heading,
                    $document->outline->idAt($position)->value,
                ];
            }
        }

        return $headings;
    }

    /**
     * @param list<string> $texts of the sheets
     *
     * @return list<array{string, string}> the words and the page of each line of contents
     */
    private static function contentsLines(array $texts, string $title): array
    {
        $lines = [];
        $begun = '';
        $isContents = false;
        foreach ($texts as $text) {
            if (str_contains($text, 'What is in it')) {
                $isContents = true;
                $text = substr($text, (int) strpos($text, 'What is in it') + strlen('What is in it'));
            }
            if (!$isContents || !str_contains($text, ' . . .')) {
                continue;
            }
            foreach (explode("\n", $text) as $line) {
                // What stands over the text.
                if (trim($line) === $title) {
                    continue;
                }
                if (1 === preg_match('/^(.*?)\s*(?:\.\s*)*\.\s+([ivxlc]+|\d+)\s*$/u', $line, $match)) {
                    $lines[] = [trim($begun . ' ' . $match[1]), $match[2]];
                    $begun = '';
                } elseif (1 !== preg_match('/^\s*[ivxlc\d]*\s*$/', $line)) {
                    $begun .= ' ' . trim($line);
                }
            }
            $begun = '';
        }

        return $lines;
    }

    /** A heading may end with a full stop, behind which the dots go on. */
    private static function withoutDots(string $words): string
    {
        return rtrim(PrintedPages::bare($words), '.');
    }

    /** The last line of a page. */
    private static function printedNumber(string $text): string
    {
        $lines = array_filter(
            array_map(trim(...), explode("\n", $text)),
            static fn(string $line): bool => '' !== $line,
        );

        return (string) end($lines);
    }
}
