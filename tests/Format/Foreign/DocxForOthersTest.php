<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Foreign;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Picture;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Services;

/**
 * What pandoc, python-docx (Debian's python3-docx) and mammoth (npm) find in a DOCX file of ours: of the demo, of a
 * file with
 * every kind of part, and of four manuals that Debian's packages ship.
 */
final class DocxForOthersTest extends TestCase
{
    private const PYTHON = <<<'PY'
    import sys, json, re
    from docx import Document
    d = Document(sys.argv[1])
    headings = [[int(p.style.name.split()[-1]), p.text] for p in d.paragraphs if re.match('Heading [1-9]$', p.style.name)]
    captions = [p.text for p in d.paragraphs if p.style.name == 'Caption']
    ns = '{http://schemas.openxmlformats.org/wordprocessingml/2006/main}'
    names = [b.get(ns + 'name') for b in d.element.iter(ns + 'bookmarkStart')]
    anchors = [h.get(ns + 'anchor') for h in d.element.iter(ns + 'hyperlink') if h.get(ns + 'anchor')]
    fields = re.findall(' REF (\\S+) ', ''.join(t.text for t in d.element.iter(ns + 'instrText')))
    print(json.dumps({'headings': headings, 'captions': captions, 'tables': len(d.tables), 'pictures': len(d.inline_shapes), 'unknown': sorted(set(anchors + fields) - set(names)), 'twice': len(names) - len(set(n.lower() for n in names)), 'links': len(anchors), 'references': len(fields), 'title': d.core_properties.title, 'author': d.core_properties.author}))
    PY;

    private const MAMMOTH = <<<'JS'
    import mammoth from "mammoth";
    const { value } = await mammoth.convertToHtml({ path: process.argv[2] });
    const count = (pattern) => (value.match(pattern) ?? []).length;
    const ids = new Set([...value.matchAll(/ id="([^"]*)"/g)].map((match) => match[1]));
    const links = [...value.matchAll(/ href="#([^"]*)"/g)].map((match) => match[1]);
    console.log(JSON.stringify({ headings: [1, 2, 3, 4, 5, 6].map((level) => count(new RegExp(`<h${level}>`, "g"))), tables: count(/<table>/g), pictures: count(/<img /g), notes: count(/<li id="footnote-/g), links: links.length, unknown: links.filter((link) => !ids.has(link)) }));
    JS;

    /** @return iterable<string, array{string, int}> a file, and links that pandoc does not follow */
    public static function files(): iterable
    {
        yield 'the demo' => ['demo/the-keepers-weather.md', 0];
        yield 'every kind of part' => ['tests/Format/all-kinds.html', 0];
        yield 'git-doc' => ['/usr/share/doc/git-doc/user-manual.html', 0];
        yield 'bash-doc' => ['/usr/share/doc/bash/bashref.html', 2];
        yield 'debian-history' => ['/usr/share/doc/debian-history/docs/detailed.en.html', 0];
        yield 'python-jinja2-doc' => ['/usr/share/doc/python-jinja2-doc/html/templates.html', 0];
    }

    #[DataProvider('files')]
    public function testAllOfItIsFound(string $path, int $lost): void
    {
        $document = Services::formats()->read($path, self::bytesOf($path))->document;
        $bytes = Services::formats()->written('docx', $document);
        file_put_contents($file = Foreign::file('docx'), $bytes);
        $ours = self::partsOf($document);
        $headings = array_map(
            static fn(array $heading): array => [$heading[0], self::plain($heading[1])],
            Foreign::headings($document),
        );
        // Under a skipped level programs count otherwise than we do, so that the number stands among the words.
        $numbers = array_values(array_filter($document->numbers(), static fn(string $number): bool => '' !== $number));
        $bare = static fn(array $heading): array => [
            $heading[0],
            self::plain(
                (string) preg_replace(
                    '/\A(?:' . implode('|', array_map(preg_quote(...), $numbers)) . ') /',
                    '',
                    is_string($heading[1]) ? $heading[1] : '',
                ),
            ),
        ];

        $python = self::json(Foreign::run(['/usr/bin/python3', '-', $file], self::PYTHON));
        self::assertSame($headings, array_map($bare, array_filter((array) $python['headings'], is_array(...))));
        self::assertSame([], $python['unknown'], 'each link and each field leads to a bookmark of the file');
        self::assertSame(0, $python['twice'], 'no bookmark is there twice');
        self::assertSame(
            [$ours['table'], $ours['picture'], $ours['caption']],
            [$python['tables'], $python['pictures'], is_array($python['captions']) ? count($python['captions']) : null],
        );
        self::assertSame(
            [$document->titleBlock->title, $document->titleBlock->author],
            [$python['title'], $python['author']],
        );

        $mammoth = self::json(Foreign::run(['node', '--input-type=module', '-', $file], self::MAMMOTH));
        $byLevel = array_count_values(
            array_column(array_filter($headings, static fn(array $heading): bool => '' !== $heading[1]), 0),
        );
        self::assertSame(
            array_map(static fn(int $level): int => $byLevel[$level] ?? 0, range(1, 6)),
            $mammoth['headings'],
        );
        self::assertSame(
            [$ours['table'], $ours['picture'], $ours['footnote'], []],
            [$mammoth['tables'], $mammoth['pictures'], $mammoth['notes'], $mammoth['unknown']],
        );

        $json = Foreign::run(['pandoc', '-f', 'docx', '-t', 'json', $file]);
        self::assertSame(
            array_values(array_filter($headings, static fn(array $heading): bool => '' !== $heading[1])),
            array_map($bare, Foreign::headingsIn($json)),
        );
        self::assertSame(
            [$ours['table'], $ours['footnote'], $ours['picture']],
            [substr_count($json, '"t":"Table"'), substr_count($json, '"t":"Note"'), substr_count($json, '"t":"Image"')],
        );
        preg_match_all('/"#([^"]*)",""\]/', $json, $leads);
        // pandoc 2.17 takes a heading with a numbering of its own that follows a list for an item of it, and forgets
        // its name.
        self::assertCount(
            $lost,
            array_filter($leads[1], static fn(string $place): bool => !str_contains($json, '["' . $place . '",')),
            'each link that pandoc reads leads to a place that it reads',
        );
        self::assertGreaterThanOrEqual($python['links'], count($leads[1]));
    }

    #[DataProvider('files')]
    public function testOurOwnReaderReadsTheSameDocument(string $path): void
    {
        $formats = Services::formats();
        $document = $formats->read($path, self::bytesOf($path))->document;
        $again = $formats->readAsIs('x.docx', $formats->written('docx', $document))->document;

        self::assertEquals($document->titleBlock, $again->titleBlock);
        self::assertSame(
            self::comparable($formats->written('md', $document)),
            self::comparable($formats->written('md', $again)),
        );
    }

    /**
     * What the format cannot say: names that differ in capitals only (one bears a number then), a link around a picture
     * that lies elsewhere, and a number that goes back.
     */
    private static function comparable(string $markdown): string
    {
        return (string) preg_replace(
            [
                '~<a href="[^"]*">(<a class="outside-picture"[^>]*>[^<]*</a>)</a>~',
                '/^(#{4} |- \[)3\.5\.\d+ Quote Removal\b/m',
                '/((?:id="|#)[^"> ]+)_2(?=[">])/',
            ],
            ['$1', '$1Quote Removal', '$1'],
            $markdown,
        );
    }

    private static function bytesOf(string $path): string
    {
        // A picture that is one, for libraries that look into it.
        $dot = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAAC0lEQVR4nGNgAAIAAAUAAXpeqz8AAAAASUVORK5CYII=';

        return str_replace('iVBORw0KGgo=', $dot, (string) file_get_contents($path));
    }

    private static function plain(string $words): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $words));
    }

    /** @return array{table: int, picture: int, caption: int, footnote: int} how many of each the document holds */
    private static function partsOf(Document $document): array
    {
        $counts = ['table' => 0, 'picture' => 0, 'caption' => 0, 'footnote' => 0];
        foreach ($document->sections() as $section) {
            foreach ([...$section->heading->inline, ...$section->body->walk()] as $node) {
                $counts['table'] += 'table' === $node->type ? 1 : 0;
                $counts['footnote'] += 'footnote' === $node->type ? 1 : 0;
                $counts['picture'] += null !== Picture::findHash($node->textAttribute('src')) ? 1 : 0;
                $counts['caption'] +=
                    in_array($node->type, ['figure', 'caption'], true) && [] !== $node->content ? 1 : 0;
            }
        }

        return $counts;
    }

    /** @return array<mixed> */
    private static function json(string $text): array
    {
        $json = json_decode($text, true);

        return is_array($json) ? $json : [];
    }
}
