<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Foreign;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Look;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

/**
 * Manuals and books of other people, from Debian's packages: their headings are made paragraphs that only look like
 * headings, and are looked for. None of the weights of Evidence was set on these.
 */
final class LikelyHeadingsOfRealBooksTest extends TestCase
{
    private const DOC = '/usr/share/doc/';
    /** Percent of the text's size, by level. */
    private const SIZES = [1 => 200, 2 => 170, 3 => 145, 4 => 125, 5 => 115, 6 => 110];

    /** @return iterable<string, array{string, string, float, float}> a file, a habit; the least share of lines and of levels that are right */
    public static function books(): iterable
    {
        $files = [
            'git-doc' => 'git-doc/user-manual.html',
            'bash-doc' => 'bash/bashref.html',
            'debian-history' => 'debian-history/docs/detailed.en.html',
            'debian-policy' => 'debian-policy/fhs/fhs-3.0.html',
            'python-jinja2-doc' => 'python-jinja2-doc/html/templates.html',
            'debmake-doc' => 'debmake-doc/html/ch05.en.html',
            'python-markdown-doc' => 'python-markdown-doc/docs/extensions/api.html',
        ];
        foreach ($files as $name => $file) {
            // Some of its lists have terms in bold type, each on a line of its own.
            $share = 'debmake-doc' === $name ? 0.85 : 0.88;
            yield $name . ', by size' => [$file, 'size', $share, $share];
            yield $name . ', in bold and numbered' => [$file, 'numbered', $share, $share];
            // All look alike, so that nothing tells their levels.
            yield $name . ', in bold' => [$file, 'bold', 0.83, 0.0];
        }
    }

    #[DataProvider('books')]
    public function testTheHeadingsAreFound(string $file, string $habit, float $lines, float $levels): void
    {
        $document = Services::formats()->read($file, (string) file_get_contents(self::DOC . $file))->document;
        [$flat, $wanted] = self::flattened($document, $habit);
        $found = [];
        foreach (LikelyHeadings::in($flat) as $group) {
            foreach ($group->lines as $line) {
                $found[$line->block] = $line->level;
            }
        }
        $right = count(array_intersect_key($found, $wanted));
        $rightLevels = count(array_intersect_assoc($found, $wanted));
        $score = static fn(int $hits): float => (2 * $hits) / (count($found) + count($wanted));
        fprintf(
            \STDERR,
            "\n%s, %s: %d headings, %d found, lines %.3f, levels %.3f\n",
            $file,
            $habit,
            count($wanted),
            count($found),
            $score($right),
            $score($rightLevels),
        );
        self::assertGreaterThanOrEqual($lines, $score($right));
        self::assertGreaterThanOrEqual($levels, $score($rightLevels));
    }

    /** @return array{Document, array<int, int>} all in one text, and the level of each block that was a heading */
    private static function flattened(Document $document, string $habit): array
    {
        $outline = $document->outline;
        $counted = Outline::packed($outline->ids, $outline->levels, str_repeat('0', $outline->count()));
        $numbers = Numbers::of($counted, Setup::plain()->numbering);
        $blocks = [];
        $wanted = [];
        foreach ($document->sections() as $position => $section) {
            $level = $document->outline->levelAt($position)->value;
            $words = $section->heading->plainText();
            if ($level > 0 && '' !== $words) {
                $wanted[count($blocks)] = $level;
                $isSized = 'size' === $habit;
                $typed = 'numbered' === $habit && '' !== $numbers[$position] ? $numbers[$position] . ' ' : '';
                $blocks[] = Node::paragraph(
                    [Node::text($typed . $words, $isSized ? [] : [new Mark('strong')])],
                    new Look($isSized ? self::SIZES[min(6, $level)] : null),
                );
            }
            array_push($blocks, ...$section->body->blocks);
        }
        $text = new Section(SectionId::fromString('openingxxxxx'), Heading::none(), Body::of($blocks));

        return [Document::of(new TitleBlock(), [[Level::Opening, $text]]), $wanted];
    }
}
