<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Foreign;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Format\Shared\ContentsWords;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Services;

/**
 * Books and manuals that Debian's packages ship, made by five generators of documentation, and what pandoc makes of
 * them in
 * other formats: headings and levels as pandoc itself reads the same file.
 */
final class RealFilesTest extends TestCase
{
    private const DOC = '/usr/share/doc/';

    /**
     * @return iterable<string, array{string, string, int}> a file, the format that pandoc makes of it or “”,
     *     and the least number of headings
     */
    public static function files(): iterable
    {
        yield 'debian-history, by DocBook, in English' => ['debian-history/docs/detailed.en.html', '', 10];
        yield 'debian-history, in French' => ['debian-history/docs/detailed.fr.html', '', 10];
        yield 'debian-faq, by DocBook' => ['debian/FAQ/pkg-basics.en.html', '', 15];
        yield 'debmake-doc, by AsciiDoc and DocBook' => ['debmake-doc/html/ch05.en.html', '', 15];
        yield 'debmake-doc, in Japanese' => ['debmake-doc/html/ch05.ja.html', '', 15];
        yield 'git-doc, by AsciiDoc' => ['git-doc/user-manual.html', '', 80];
        yield 'bash-doc, by Texinfo' => ['bash/bashref.html', '', 100];
        yield 'python-jinja2-doc, by Sphinx, with signs to point at headings by' => [
            'python-jinja2-doc/html/templates.html',
            '',
            40,
        ];
        yield 'python-jinja2-doc, another' => ['python-jinja2-doc/html/api.html', '', 20];
        yield 'python-markdown-doc, by itself' => ['python-markdown-doc/docs/extensions/api.html', '', 10];
        yield 'bash-doc as DOCX' => ['bash/bashref.html', 'docx', 100];
        yield 'git-doc as ODT' => ['git-doc/user-manual.html', 'odt', 80];
        yield 'python-jinja2-doc as EPUB' => ['python-jinja2-doc/html/templates.html', 'epub', 40];
        yield 'debmake-doc as Markdown' => ['debmake-doc/html/ch05.en.html', 'gfm', 15];
        yield 'debian-history as OPML' => ['debian-history/docs/detailed.en.html', 'opml', 10];
    }

    #[DataProvider('files')]
    public function testHeadingsAndLevelsAreThosePandocReads(string $file, string $as, int $least): void
    {
        $path = self::DOC . $file;
        $ending = match ($as) {
            '' => 'html',
            'gfm' => 'md',
            default => $as,
        };
        $bytes =
            '' === $as
                ? (string) file_get_contents($path)
                : Foreign::written($path, $ending, ['-f', 'html-native_divs', '-t', $as]);
        $document = Services::formats()->read('x.' . $ending, $bytes)->document;
        $numbered = Foreign::numberedHeadings($document);
        $ours = [];
        foreach (Foreign::headings($document) as $at => [$level, $words]) {
            $ours[] = [$level, Foreign::bare($words), $numbered[$at][1]];
        }
        $theirs = [];
        foreach (Foreign::pandocHeadings($bytes, '' === $as ? 'html' : $as) as [$level, $words]) {
            // A list of contents is left out here with its heading, and so is the title page of a book; both are told.
            $isTitle = 'epub' === $as && Foreign::bare($words) === Foreign::bare($document->titleBlock->title);
            $isLeftOut =
                ContentsWords::isHeading($words) && !in_array(Foreign::bare($words), array_column($ours, 1), true);
            if (!$isLeftOut && !$isTitle) {
                $theirs[] = [$level, Foreign::bare($words)];
            }
        }
        self::assertGreaterThanOrEqual($least, count($theirs));
        $found = self::inCommon($ours, $theirs);
        $share = $found / max(count($ours), count($theirs));
        fwrite(
            \STDERR,
            sprintf("\n%s%s: %d of %d headings\n", $file, '' === $as ? '' : ' as ' . $as, $found, count($theirs)),
        );
        self::assertGreaterThanOrEqual(0.98, $share, $file);
        self::assertSame(
            [],
            preg_grep('/[¶🔗]|\A[§#]|[§#]\z/u', $document->headings()),
            'no sign to point at a heading by is among its words',
        );
    }

    /**
     * The longest run of headings that both have in the same order.
     *
     * @param list<array{int, string, string}> $ours   level, words, and words behind the number that we compute
     * @param list<array{int, string}>         $theirs
     */
    private static function inCommon(array $ours, array $theirs): int
    {
        $lengths = array_fill(0, count($theirs) + 1, 0);
        foreach ($ours as $our) {
            $before = $lengths;
            foreach ($theirs as $at => $their) {
                $lengths[$at + 1] = self::isSame($our, $their)
                    ? $before[$at] + 1
                    : max($lengths[$at], $before[$at + 1]);
            }
        }

        return $lengths[count($theirs)];
    }

    /**
     * Numbers are taken off the words here where they follow a scheme; pandoc leaves all as they are.
     *
     * @param array{int, string, string} $our
     * @param array{int, string}         $their
     */
    private static function isSame(array $our, array $their): bool
    {
        return $our[0] === $their[0] &&
            ($their[1] === $our[1] ||
                $their[1] === $our[2] ||
                preg_replace('/\A(?:\d+ )+/', '', $their[1]) === $our[1]);
    }
}
