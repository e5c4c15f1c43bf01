<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Opml;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Services;

/** Outlines after OPML 2.0; notes under a line are common practice. */
final class OpmlReaderTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function lines(): iterable
    {
        yield 'lines within lines are levels' => [
            '<outline text="One"><outline text="Two"><outline text="Three"/></outline></outline><outline text="Four"/>',
            "# One\n\n## Two\n\n### Three\n\n# Four",
        ];
        yield 'a note is the text' => [
            '<outline text="One" _note="First.&#10;&#10;Second *now*."/>',
            "# One\n\nFirst.\n\nSecond \\*now\\*.",
        ];
        yield 'a line named by its title' => ['<outline title="One"/>', '# One'];
        yield 'a line that leads somewhere' => [
            '<outline text="One" type="link" url="https://example.org/"/>',
            '# [One](<https://example.org/>)',
        ];
        yield 'an address that runs a script is none' => ['<outline text="One" url="javascript:alert(1)"/>', '# One'];
        yield 'tags in a line are not its words' => [
            '<outline text="One &lt;b&gt;bold&lt;/b&gt; line"/>',
            '# One bold line',
        ];
        yield 'a long line without lines under it is a text' => [
            '<outline text="One"><outline text="' . str_repeat('word ', 60) . '"/></outline>',
            "# One\n\n" . trim(str_repeat('word ', 60)),
        ];
    }

    #[DataProvider('lines')]
    public function testWhatEachLineBecomes(string $lines, string $markdown): void
    {
        $file =
            '<?xml version="1.0" encoding="UTF-8"?><opml version="2.0"><head><title>Outline</title><ownerName>Ines Marl</ownerName></head><body>' .
            $lines .
            '</body></opml>';
        self::assertSame($markdown, Services::asMarkdown('x.opml', $file));
        $block = Services::formats()->read('x.opml', $file)->document->titleBlock;
        self::assertSame(['Outline', 'Ines Marl'], [$block->title, $block->author]);
    }

    public function testLinesDeeperThanNineLevelsAreKeptAtTheDeepest(): void
    {
        $lines = str_repeat('<outline text="x">', 12) . str_repeat('</outline>', 12);
        $outline = Services::formats()->read('x.opml', '<opml version="2.0"><head/><body>' . $lines . '</body></opml>')
            ->document->outline;
        self::assertSame(12, $outline->count());
        self::assertSame('123456789999', $outline->levels);
    }
}
