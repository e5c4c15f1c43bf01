<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Markdown;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Services;

/** The examples of the CommonMark specification 0.31.2 (npm package commonmark-spec), sections 4.2 and 4.3. */
final class CommonMarkHeadingsTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function examples(): iterable
    {
        $spec = (string) file_get_contents(__DIR__ . '/../../../../node_modules/commonmark-spec/spec.txt');
        $fence = str_repeat('`', 32);
        foreach (
            ['ATX headings' => 'Setext headings', 'Setext headings' => 'Indented code blocks']
            as $section => $next
        ) {
            $from = (int) strpos($spec, "\n## {$section}\n");
            $text = substr($spec, $from, (int) strpos($spec, "\n## {$next}\n") - $from);
            foreach (array_slice(explode($fence . " example\n", $text), 1) as $number => $example) {
                [$markdown, $html] = explode("\n.\n", "\n" . explode($fence, $example)[0], 2);
                yield sprintf('%s, example %d of the section', $section, $number + 1) => [
                    strtr(substr($markdown, 1) . "\n", ['→' => "\t"]),
                    $html,
                ];
            }
        }
    }

    #[DataProvider('examples')]
    public function testHeadingsAndLevelsAreThoseOfTheReferenceHtml(string $markdown, string $html): void
    {
        $document = Services::formats()->read('x.md', $markdown)->document;
        $read = [];
        foreach ($document->sections() as $position => $section) {
            if (!$document->outline->levelAt($position)->isOpening()) {
                $read[] = $document->outline->levelAt($position)->value . ' ' . $section->heading->plainText();
            }
        }

        self::assertSame($this->headingsOf($html), $read);
    }

    public function testAllExamplesWereFound(): void
    {
        self::assertCount(18 + 27, iterator_to_array(self::examples()));
    }

    /** @return list<string> headings of the document itself; inside a quotation or a list they are none of ours */
    private function headingsOf(string $html): array
    {
        $ofDocument = (string) preg_replace('~<(blockquote|ul|ol)>.*?</\1>~s', '', $html);
        preg_match_all('~<h([1-6])>(.*?)</h\1>~s', $ofDocument, $found, \PREG_SET_ORDER);
        $headings = [];
        foreach ($found as [, $level, $words]) {
            $headings[] =
                $level .
                ' ' .
                trim(
                    (string) preg_replace(
                        '/\s+/u',
                        ' ',
                        html_entity_decode(strip_tags($words), \ENT_QUOTES | \ENT_HTML5),
                    ),
                );
        }

        return $headings;
    }
}
