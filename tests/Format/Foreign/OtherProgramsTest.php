<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Foreign;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\BrokenLink;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Picture;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;

/** Files that none of us wrote, and what the programs that wrote or read them say is in them. */
final class OtherProgramsTest extends TestCase
{
    private const SOURCE = __DIR__ . '/source.md';
    private const BOOK = __DIR__ . '/../../../demo/the-keepers-weather.md';
    private const OUTLINE = [
        [1, 'The lamp and its oil'],
        [2, 'Trials of oil'],
        [3, 'The winter of 1881'],
        [3, 'The winter of 1882'],
        [2, 'Costs'],
        [1, 'What was learnt'],
        [4, 'A level left out'],
    ];

    /** A page by pandoc says its authors one by one, and its subtitle only where the title is shown. */
    public function testReadsTheTitleThatPandocShows(): void
    {
        $authors = ['-M', 'author=Ines Corvale', '-M', 'author=Emlyn Carrow'];
        $title = $this->read(Foreign::written(self::SOURCE, 'html', $authors), 'html')->titleBlock;

        self::assertSame('The frozen oil', $title->title);
        self::assertSame('A report on lamps', $title->subtitle);
        self::assertSame('Ines Corvale, Emlyn Carrow', $title->author);
    }

    #[TestWith(['md', 'markdown'])]
    #[TestWith(['html', 'html'])]
    #[TestWith(['docx', 'docx'])]
    #[TestWith(['odt', 'odt'])]
    #[TestWith(['epub', 'epub'])]
    public function testReadsTheDateThatPandocWrites(string $ending, string $format): void
    {
        $written = Foreign::written(self::SOURCE, $format, ['--standalone', '-M', 'date=2026-03-01']);
        $document = $this->read($written, $ending);

        self::assertSame('2026-03-01', $document->titleBlock->date);
        self::assertStringNotContainsString('2026', implode(' ', $document->headings()));
    }

    /**
     * Files by pandoc 2.17 (Debian package pandoc) from one source.
     *
     * @param list<string> $options
     */
    #[TestWith(['docx', 'docx', []])]
    #[TestWith(['docx', 'docx', ['--toc']])]
    #[TestWith(['odt', 'odt', ['--toc']])]
    #[TestWith(['html', 'html', ['--toc', '--section-divs']])]
    #[TestWith(['epub', 'epub', ['--toc', '-t', 'epub3']])]
    #[TestWith(['epub', 'epub', ['-t', 'epub2']])]
    public function testReadsWhatPandocWrites(string $format, string $ending, array $options): void
    {
        $document = $this->read(Foreign::written(self::SOURCE, $format, $options), $ending);

        self::assertSame('The frozen oil', $document->titleBlock->title);
        self::assertSame('Ines Corvale', $document->titleBlock->author);
        self::assertSame('en-GB', $document->titleBlock->language);
        self::assertSame(self::OUTLINE, Foreign::headings($document));
        self::assertSame(
            [
                'the trials' => 'Trials of oil',
                'that place' => 'The winter of 1881',
                'the lamp' => 'The lamp and its oil',
            ],
            Foreign::links($document),
        );
        self::assertSame(['1', '1.1', '1.1.1', '1.1.2', '1.2', '2', '2.1'], array_slice($document->numbers(), 1));
        self::assertSame(1, substr_count($this->markdown($document), '[^1]:'));
        self::assertStringContainsString(
            '| 1 | 29.41 |',
            strtr($this->markdown($document), [
                '<tr><td>' => '| ',
                '</td><td style="text-align: right">' => ' | ',
                '</td></tr>' => ' |',
            ]),
        );
        self::assertStringContainsString(
            "- first\n\n  - nested one\n  - nested two\n- second",
            $this->markdown($document),
        );
        self::assertStringContainsString("3. third\n4. fourth", $this->markdown($document));
        self::assertStringContainsString("indented code\n  stays as it is", $this->markdown($document));
        self::assertStringContainsString('[the web](<https://example.org/lamps>', $this->markdown($document));
        self::assertStringContainsString('> Oil thick as honey.', $this->markdown($document));
    }

    #[TestWith(['docx'])]
    #[TestWith(['odt'])]
    #[TestWith(['epub'])]
    public function testPicturesComeWithTheirWordsAndCaptions(string $format): void
    {
        $folder = TemporaryFolder::made();
        $png = (string) base64_decode(
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
            true,
        );
        file_put_contents($folder . '/lamp.png', $png);
        file_put_contents($folder . '/source.md', "# Lamps\n\n![The lamp at Far Light]({$folder}/lamp.png)\n\nText.\n");
        $document = $this->read(
            Foreign::written($folder . '/source.md', $format, ['--metadata', 'title=Pictures']),
            $format,
        );
        $figure = $document->sectionAt(0)->body->blocks[0];

        self::assertSame('figure', $figure->type);
        self::assertSame((new Picture('png', $png))->address(), $figure->textAttribute('src'));
        self::assertSame($png, array_values($document->pictures)[0]->bytes);
        self::assertSame('The lamp at Far Light', $figure->plainText());
        self::assertSame('Text.', $document->sectionAt(0)->body->blocks[1]->plainText());
    }

    public function testReadsTheOutlineThatPandocWritesAsOpml(): void
    {
        $document = $this->read(Foreign::written(self::SOURCE, 'opml'), 'opml');

        self::assertSame(array_column(self::OUTLINE, 1), array_column(Foreign::headings($document), 1));
        self::assertStringContainsString('Colza was burnt until 1871.', $document->sectionAt(0)->body->plainText());
    }

    /** Numbers printed by pandoc's --number-sections, with a skipped level counted as 0. */
    #[TestWith(['docx', 'docx'])]
    #[TestWith(['html', 'html'])]
    #[TestWith(['epub', 'epub'])]
    public function testComputesTheNumbersThatPandocPrinted(string $format, string $ending): void
    {
        $document = $this->read(Foreign::written(self::SOURCE, $format, ['-N']), $ending);

        self::assertSame(self::OUTLINE, Foreign::headings($document));
        self::assertSame(['1', '1.1', '1.1.1', '1.1.2', '1.2', '2', '2.0.0.1'], array_slice($document->numbers(), 1));
    }

    /** The demo's book, all of it, by way of each format: headings, levels, links, and words within half a percent. */
    #[TestWith(['docx'])]
    #[TestWith(['odt'])]
    #[TestWith(['epub'])]
    #[TestWith(['html'])]
    public function testALongTextComesThroughWhole(string $format): void
    {
        $source = Foreign::file('md');
        // Programs that do not know our marks in headings read them as markup; pandoc writes its own.
        file_put_contents(
            $source,
            (string) preg_replace(
                [
                    '/ <a id="([^"]+)" class="unnumbered"><\/a>$/m',
                    '/ <a id="([^"]+)"(?: class="appendix")?><\/a>$/m',
                    '/<a id="(\w+)"><\/a>/',
                    '/<figure>.*?<\/figure>/s',
                    '/\]\(<#/',
                ],
                [' {#$1 .unnumbered}', ' {#$1}', '[]{#$1}', '', '](#'],
                strtr((string) file_get_contents(self::BOOK), ['>)' => ')']),
            ),
        );
        $own = $this->read((string) file_get_contents(self::BOOK), 'md');
        $document = $this->read(Foreign::written($source, $format, ['-f', 'markdown']), $format);

        self::assertSame(self::listed(Foreign::headings($own)), self::listed(Foreign::headings($document)));
        $plain = (new WordCount())->ofText(Foreign::plainText($source, 'markdown'));
        self::assertEqualsWithDelta($plain, Foreign::words($document), 0.005 * $plain);
        self::assertSame([], array_keys(Foreign::links($document), '?', true));
        self::assertGreaterThan(5, count(Foreign::links($document)));
    }

    /** Headings, levels and bookmarks as mammoth (npm) reads them. */
    public function testReadsTheSameHeadingsAsMammoth(): void
    {
        $docx = Foreign::written(self::SOURCE, 'docx');
        file_put_contents($file = Foreign::file('docx'), $docx);
        $html = Foreign::run([
            'node',
            '-e',
            'require("mammoth").convertToHtml({path: process.argv[1]}).then((r) => process.stdout.write(r.value))',
            $file,
        ]);
        preg_match_all('~<h([1-6])>(.*?)</h\1>~', $html, $found, \PREG_SET_ORDER);
        $theirs = array_map(
            static fn(array $match): array => [(int) $match[1], html_entity_decode(strip_tags($match[2]))],
            $found,
        );

        $document = $this->read($docx, 'docx');
        // The title is a heading to mammoth.
        self::assertSame(
            array_values(array_filter($theirs, static fn(array $heading): bool => 'The frozen oil' !== $heading[1])),
            Foreign::headings($document),
        );
        preg_match_all('~href="#([^"]+)"~', (string) preg_replace('~<ol><li id="footnote.*~s', '', $html), $targets);
        self::assertCount(
            3,
            array_filter($targets[1], static fn(string $target): bool => !str_starts_with($target, 'footnote')),
        );
        self::assertCount(3, Foreign::links($document));
    }

    /** Real documents of Debian's packages debian-policy and developers-reference, beside pandoc's reading of them. */
    public function testReadsARealBookAsPandocDoes(): void
    {
        $epub = (string) file_get_contents('/usr/share/developers-reference/developers-reference.epub');
        $theirs = array_map(
            static fn(array $heading): array => [$heading[0], Foreign::bare($heading[1])],
            Foreign::pandocHeadings($epub, 'epub'),
        );
        $ours = Foreign::numberedHeadings($this->read($epub, 'epub'));

        self::assertGreaterThan(150, count($theirs));
        // A line that is a heading by its role only, which WAI-ARIA 1.2 knows and pandoc does not.
        self::assertSame(
            self::listed($theirs),
            self::listed(
                array_values(array_filter($ours, static fn(array $heading): bool => [2, 'Appendix'] !== $heading)),
            ),
        );
    }

    public function testReadsARealStandardAsPandocDoes(): void
    {
        $html = (string) file_get_contents('/usr/share/doc/debian-policy/fhs/fhs-3.0.html');
        $theirs = array_map(
            static fn(array $heading): array => [$heading[0], Foreign::bare($heading[1])],
            Foreign::pandocHeadings($html, 'html'),
        );
        $ours = Foreign::numberedHeadings($this->read($html, 'html'));

        self::assertGreaterThan(150, count($theirs));
        self::assertSame(array_column($theirs, 0), array_column($ours, 0));
        // One number stands under an unnumbered heading, where ours has nothing to hang on.
        $equal = count(
            array_filter(
                $theirs,
                static fn(array $heading, int $at): bool => $heading === $ours[$at],
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
        self::assertGreaterThanOrEqual(0.98, $equal / count($theirs));
    }

    /**
     * A plain text of 170,000 words: its headings are the lines underlined, and the printed numbers tell their levels.
     */
    public function testFindsTheHeadingsOfARealPlainText(): void
    {
        $text = (string) gzdecode((string) file_get_contents('/usr/share/doc/debian-policy/policy.txt.gz'));
        preg_match_all('/^(\d+(?:\.\d+)*)\. (\S.*)\n([*=\-~^"])\3{3,}$/m', $text, $printed, \PREG_SET_ORDER);
        $ours = [];
        $document = $this->read($text, 'txt');
        $numbers = $document->numbers();
        foreach ($document->headings() as $position => $heading) {
            $ours[$numbers[$position] . ' ' . $heading] = $document->outline->levelAt($position)->value;
        }
        $equal = 0;
        foreach ($printed as [, $number, $words]) {
            $equal +=
                substr_count($number, '.') + 1 ===
                ($ours[$number . ' ' . trim((string) preg_replace('/\s+/', ' ', $words))] ?? 0)
                    ? 1
                    : 0;
        }

        self::assertGreaterThan(250, count($printed));
        self::assertGreaterThanOrEqual(0.98, $equal / count($printed));
    }

    /** @param list<array{int, string}> $headings */
    private static function listed(array $headings): string
    {
        return implode(
            "\n",
            array_map(static fn(array $heading): string => $heading[0] . ' ' . $heading[1], $headings),
        );
    }

    private function read(string $bytes, string $ending): Document
    {
        $document = Services::formats()->readAsIs('file.' . $ending, $bytes)->document;
        // Whatever a file holds: a link that was led to a place in the document finds that place there.
        self::assertSame(
            [],
            array_map(
                static fn(Finding $finding): string => $finding->message,
                iterator_to_array((new BrokenLink())->findings($document, $document->headings()), false),
            ),
        );

        return $document;
    }

    private function markdown(Document $document): string
    {
        return Services::formats()->written('md', $document);
    }
}
